package app.loculus.formats.paper;

import app.loculus.formats.paper.Faces.Run;
import app.loculus.formats.paper.Faces.Style;
import java.awt.Color;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;

/** The document that is being set: its faces, its tags, and what is drawn on the page it is at. */
final class Paper implements AutoCloseable {

    /** Something that is drawn. */
    interface Drawing {
        void draw() throws IOException;
    }

    private static final float BLACK = 0;

    private final PDDocument document;
    private final Faces faces;
    private final Tags tags;
    private final About about;
    private PDPageContentStream content;

    Paper(PDDocument document, About about) {
        this.document = document;
        this.faces = new Faces(document);
        this.tags = new Tags(document);
        this.about = about;
    }

    Faces faces() {
        return faces;
    }

    Tags tags() {
        return tags;
    }

    About about() {
        return about;
    }

    /** Goes on to a new page. */
    PDPage page(PDRectangle size) throws IOException {
        close();
        PDPage page = new PDPage(size);
        document.addPage(page);
        content = new PDPageContentStream(document, page);
        tags.on(page);
        return page;
    }

    /** Draws onto a page that is there already, until another one is gone to. */
    void again(PDPage page) throws IOException {
        close();
        content = new PDPageContentStream(document, page, AppendMode.APPEND, true, true);
        tags.on(page);
    }

    /** @param actual what stands there where it is drawn in another order than it is read in */
    void tagged(PDStructureElement element, String actual, Drawing drawing) throws IOException {
        if (Faces.turned(actual)) {
            element.setActualText(actual);
        }
        tags.begin(content, element);
        drawing.draw();
        tags.end(content);
    }

    void untagged(Drawing drawing) throws IOException {
        tags.artifact(content);
        drawing.draw();
        tags.end(content);
    }

    void text(String line, double x, double y, Style style, double size) throws IOException {
        content.beginText();
        content.newLineAtOffset((float) x, (float) y);
        for (Run run : faces.runs(line, style)) {
            content.setFont(run.font(), (float) size);
            content.showText(run.text());
        }
        content.endText();
    }

    /** Centred around x. */
    void centred(String line, double x, double y, Style style, double size) throws IOException {
        text(line, x - faces.width(line, style, size) / 2, y, style, size);
    }

    void rule(double x0, double y, double x1, double thick) throws IOException {
        line(x0, y, x1, y, thick, BLACK);
    }

    /** @param grey 0 is black, 1 is white */
    void line(double x0, double y0, double x1, double y1, double thick, float grey) throws IOException {
        content.setStrokingColor(grey);
        content.setLineWidth((float) thick);
        content.moveTo((float) x0, (float) y0);
        content.lineTo((float) x1, (float) y1);
        content.stroke();
        content.setStrokingColor(BLACK);
    }

    /** A box with a thin edge. @param fill white when absent */
    void box(double x, double y, double wide, double high, Optional<Color> fill) throws IOException {
        content.setLineWidth(.6f);
        content.addRect((float) x, (float) y, (float) wide, (float) high);
        if (fill.isPresent()) {
            content.setNonStrokingColor(fill.get());
            content.fillAndStroke();
            content.setNonStrokingColor(BLACK);
        } else {
            content.stroke();
        }
    }

    /** Without an edge. */
    void fill(double x, double y, double wide, double high, Color colour) throws IOException {
        content.setNonStrokingColor(colour);
        content.addRect((float) x, (float) y, (float) wide, (float) high);
        content.fill();
        content.setNonStrokingColor(BLACK);
    }

    /** @param filled black, else a thin grey ring */
    void dot(double x, double y, double r, boolean filled) throws IOException {
        double k = r * 0.5523;
        content.moveTo((float) (x + r), (float) y);
        content.curveTo((float) (x + r), (float) (y + k), (float) (x + k), (float) (y + r), (float) x, (float) (y + r));
        content.curveTo((float) (x - k), (float) (y + r), (float) (x - r), (float) (y + k), (float) (x - r), (float) y);
        content.curveTo((float) (x - r), (float) (y - k), (float) (x - k), (float) (y - r), (float) x, (float) (y - r));
        content.curveTo((float) (x + k), (float) (y - r), (float) (x + r), (float) (y - k), (float) (x + r), (float) y);
        if (filled) {
            content.fill();
        } else {
            content.setStrokingColor(.45f);
            content.setLineWidth(.6f);
            content.stroke();
            content.setStrokingColor(BLACK);
        }
    }

    @Override
    public void close() throws IOException {
        if (content != null) {
            content.close();
            content = null;
        }
    }
}
