package app.loculus.formats.paper;

import app.loculus.core.paper.Sheet;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;

/** Rows on pages, from the top down. All measures in points. */
final class Pages implements AutoCloseable {

    private static final double SIDE = 42;
    private static final double TOP = PDRectangle.A4.getHeight() - 44;
    private static final double FOOT = 52;
    private static final double WIDTH = PDRectangle.A4.getWidth() - 2 * SIDE;
    private static final double GAP = 8;

    /** What rows have at most on one page, below its heads. */
    private static final double PAGE = TOP - FOOT - 60;

    private static final double TITLE = 17;
    private static final double HEADING = 11;
    private static final double TEXT = 8.5;
    private static final double LEADING = 11;
    private static final double ROW_GAP = 3;

    /** Lines of a row that must fit under a heading, or it begins the next page. */
    private static final int KEPT_LINES = 2;

    private final PDDocument document;
    private final Letters letters;
    private final Sheet sheet;
    private final String show;
    private final List<Double> widths = new ArrayList<>();
    private PDPageContentStream page;
    private double y;

    Pages(PDDocument document, Letters letters, Sheet sheet, String show) {
        this.document = document;
        this.letters = letters;
        this.sheet = sheet;
        this.show = show;
        double whole = sheet.columns().stream().mapToDouble(Sheet.Column::share).sum();
        sheet.columns().forEach(c -> widths.add(c.share() / whole * WIDTH));
    }

    void set() throws IOException {
        begin();
        for (Sheet.Section section : sheet.sections()) {
            heading(section);
            for (List<String> row : section.rows()) {
                row(row);
            }
        }
        if (letters.missed()) {
            room(LEADING * 2);
            y -= LEADING;
            text("? stands for a letter that this paper has no shape for.", SIDE, TEXT, false);
        }
    }

    private void begin() throws IOException {
        close();
        PDPage next = new PDPage(PDRectangle.A4);
        document.addPage(next);
        page = new PDPageContentStream(document, next);
        y = TOP;
        text(sheet.title(), SIDE, TITLE, true);
        right(show, TEXT + 2);
        if (!sheet.words().isEmpty()) {
            y -= LEADING + 4;
            text(sheet.words(), SIDE, TEXT, false);
        }
        y -= LEADING * 2;
        double x = SIDE;
        for (int i = 0; i < widths.size(); i++) {
            text(sheet.columns().get(i).head(), x, TEXT, true);
            x += widths.get(i);
        }
        rule(1);
    }

    private void heading(Sheet.Section section) throws IOException {
        if (section.heading().isEmpty()) {
            return;
        }
        double size = section.chief() ? HEADING + 3 : HEADING;
        List<String> words = section.words().isEmpty() ? List.of() : letters.lines(section.words(), WIDTH, TEXT);
        List<String> lines = letters.lines(section.heading(), WIDTH, size);
        double high = (lines.size() + words.size() + 1 + KEPT_LINES) * LEADING + (section.chief() ? 3 * LEADING : 0);
        room(high);
        y -= section.chief() ? LEADING : ROW_GAP;
        for (String line : lines) {
            y -= size + 3;
            text(line, SIDE, size, true);
        }
        for (String line : words) {
            y -= LEADING;
            text(line, SIDE, TEXT, false);
        }
        y -= ROW_GAP;
    }

    /** A row stays together unless it is longer than a page. */
    private void row(List<String> cells) throws IOException {
        List<List<String>> lines = new ArrayList<>();
        int high = 0;
        for (int i = 0; i < cells.size(); i++) {
            List<String> cell = letters.lines(cells.get(i), widths.get(i) - GAP, TEXT);
            lines.add(cell);
            high = Math.max(high, cell.size());
        }
        double whole = high * LEADING + ROW_GAP;
        room(whole <= PAGE ? whole : KEPT_LINES * LEADING);
        for (int line = 0; line < high; line++) {
            room(LEADING);
            y -= LEADING;
            double x = SIDE;
            for (int i = 0; i < lines.size(); i++) {
                if (line < lines.get(i).size()) {
                    text(lines.get(i).get(line), x, TEXT, false);
                }
                x += widths.get(i);
            }
        }
        rule(.3);
    }

    private void room(double high) throws IOException {
        if (y - high < FOOT) {
            begin();
        }
    }

    private void rule(double thick) throws IOException {
        y -= ROW_GAP;
        page.setLineWidth((float) thick);
        page.moveTo((float) SIDE, (float) y);
        page.lineTo((float) (SIDE + WIDTH), (float) y);
        page.stroke();
    }

    private void right(String text, double size) throws IOException {
        String shown = letters.lines(text, WIDTH / 2, size).get(0);
        text(shown, SIDE + WIDTH - letters.width(shown, size), size, false);
    }

    private void text(String text, double x, double size, boolean bold) throws IOException {
        text(page, letters, text, x, y, size, bold);
    }

    private static void text(
            PDPageContentStream page, Letters letters, String text, double x, double y, double size, boolean bold)
            throws IOException {
        page.beginText();
        page.setFont(letters.font(), (float) size);
        page.setRenderingMode(bold ? RenderingMode.FILL_STROKE : RenderingMode.FILL);
        page.setLineWidth((float) (size / 30));
        page.newLineAtOffset((float) x, (float) y);
        page.showText(letters.printable(text));
        page.endText();
    }

    /** Says on each page which of how many it is, and of which state. */
    static void number(PDDocument document, Letters letters, String state) throws IOException {
        int of = document.getNumberOfPages();
        for (int i = 0; i < of; i++) {
            try (PDPageContentStream foot =
                    new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true)) {
                String page = "page " + (i + 1) + " of " + of;
                text(foot, letters, state, SIDE, FOOT / 2, TEXT, false);
                text(foot, letters, page, SIDE + WIDTH - letters.width(page, TEXT), FOOT / 2, TEXT, false);
            }
        }
    }

    @Override
    public void close() throws IOException {
        if (page != null) {
            page.close();
        }
    }
}
