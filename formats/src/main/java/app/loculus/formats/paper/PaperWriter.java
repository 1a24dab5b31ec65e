package app.loculus.formats.paper;

import app.loculus.core.paper.Sheet;
import app.loculus.formats.paper.Faces.Style;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;

/** Sets sheets as one PDF: every page says whose it is, of which state, and which of how many; several have their contents in front. */
public final class PaperWriter {

    private static final double LINE = 20;

    private PaperWriter() {}

    /** A sheet and the page it begins on. */
    private record Begun(Sheet sheet, PDPage page, boolean labels) {}

    public static byte[] write(Sheet sheet, About about) {
        return write(List.of(sheet), about, PaperOptions.USUAL, Making.UNWATCHED);
    }

    /** @param sheets at least one */
    public static byte[] write(List<Sheet> sheets, About about, PaperOptions options, Making making) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            about(document, sheets, about);
            try (Paper paper = new Paper(document, about)) {
                List<Begun> begun = new ArrayList<>();
                for (int i = 0; i < sheets.size(); i++) {
                    int at = i;
                    Sheet sheet = sheets.get(i);
                    PDPage first =
                            new Pages(paper, sheet, options, () -> making.at(at, sheets.size(), sheet.title())).set();
                    begun.add(new Begun(
                            sheet,
                            first,
                            sheet.sections().stream()
                                    .anyMatch(s -> s.figure()
                                            .filter(f -> f instanceof app.loculus.core.paper.Figure.Labels)
                                            .isPresent())));
                }
                if (sheets.size() > 1) {
                    contents(document, paper, begun, options);
                }
                feet(document, paper, begun);
                paper.tags().close();
                bookmarks(document, begun);
            }
            making.at(sheets.size(), sheets.size(), "the file");
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void about(PDDocument document, List<Sheet> sheets, About about) {
        PDDocumentInformation information = new PDDocumentInformation();
        information.setTitle(
                about.show() + (sheets.size() == 1 ? " – " + sheets.get(0).title() : ""));
        information.setSubject("Revision " + about.revision() + ", " + about.on());
        information.setCreator("Loculus");
        document.setDocumentInformation(information);
        PDViewerPreferences shown = new PDViewerPreferences(new org.apache.pdfbox.cos.COSDictionary());
        shown.setDisplayDocTitle(true);
        document.getDocumentCatalog().setViewerPreferences(shown);
    }

    /** In front of everything but a cover, each line leading to its sheet. */
    private static void contents(PDDocument document, Paper paper, List<Begun> begun, PaperOptions options)
            throws IOException {
        Begun after = begun.get(0);
        PDRectangle size = options.page(after.sheet());
        PDPage page = paper.page(size);
        document.removePage(page);
        PDPage second = begun.get(1).page();
        document.getPages().insertBefore(page, second);
        double wide = size.getWidth() - 2 * Pages.SIDE;
        double y = size.getHeight() - 60;
        PDStructureElement part = paper.tags().open("TOC", paper.tags().whole());
        double title = y;
        paper.tagged(
                paper.tags().open("Caption", part),
                "",
                () -> paper.text("Contents", Pages.SIDE, title, Style.HEADING, 19));
        y -= 14;
        for (Begun b : begun) {
            y -= LINE;
            double at = y;
            int number = document.getPages().indexOf(b.page()) + 1;
            String shown = String.valueOf(number);
            paper.tagged(paper.tags().open("TOCI", part), b.sheet().title(), () -> {
                paper.text(
                        paper.faces().cut(b.sheet().title(), Style.TEXT, wide - 60, 11),
                        Pages.SIDE,
                        at,
                        Style.TEXT,
                        11);
                paper.text(shown, Pages.SIDE + wide - paper.faces().width(shown, Style.TEXT, 11), at, Style.TEXT, 11);
            });
            paper.untagged(() -> paper.rule(Pages.SIDE, at - 5, Pages.SIDE + wide, .3));
            page.getAnnotations().add(link(b.page(), Pages.SIDE, at - 5, wide));
        }
    }

    private static PDAnnotationLink link(PDPage to, double x, double y, double wide) {
        PDAnnotationLink link = new PDAnnotationLink();
        link.setRectangle(new PDRectangle((float) x, (float) y, (float) wide, (float) LINE));
        PDBorderStyleDictionary none = new PDBorderStyleDictionary();
        none.setWidth(0);
        link.setBorderStyle(none);
        PDActionGoTo go = new PDActionGoTo();
        PDPageFitDestination destination = new PDPageFitDestination();
        destination.setPage(to);
        go.setDestination(destination);
        link.setAction(go);
        return link;
    }

    /** Says on each page which of how many it is; labels have nothing but themselves on them. */
    private static void feet(PDDocument document, Paper paper, List<Begun> begun) throws IOException {
        int of = document.getNumberOfPages();
        boolean labels = false;
        for (int i = 0; i < of; i++) {
            PDPage page = document.getPage(i);
            labels = begun.stream()
                    .filter(b -> b.page() == page)
                    .findFirst()
                    .map(Begun::labels)
                    .orElse(labels);
            if (labels) {
                continue;
            }
            String number = "page " + (i + 1) + " of " + of;
            String left = paper.about().version().isEmpty()
                    ? paper.about().show()
                    : paper.about().show() + ", version " + paper.about().version();
            double wide = page.getMediaBox().getWidth() - 2 * Pages.SIDE;
            paper.again(page);
            paper.untagged(() -> {
                paper.text(
                        paper.faces().cut(left, Style.TEXT, wide - 120, Pages.TEXT),
                        Pages.SIDE,
                        Pages.FOOT / 2,
                        Style.TEXT,
                        Pages.TEXT);
                paper.text(
                        number,
                        Pages.SIDE + wide - paper.faces().width(number, Style.TEXT, Pages.TEXT),
                        Pages.FOOT / 2,
                        Style.TEXT,
                        Pages.TEXT);
            });
        }
        paper.close();
    }

    private static void bookmarks(PDDocument document, List<Begun> begun) {
        PDDocumentOutline outline = new PDDocumentOutline();
        for (Begun b : begun) {
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(b.sheet().title());
            item.setDestination(b.page());
            outline.addLast(item);
        }
        document.getDocumentCatalog().setDocumentOutline(outline);
    }
}
