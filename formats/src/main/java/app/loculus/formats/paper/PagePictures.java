package app.loculus.formats.paper;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Pages of a PDF as pictures. */
public final class PagePictures {

    /** Dots per inch: sharp on a screen twice as fine as usual, and in print. */
    private static final float FINE = 144;

    /** @param width of the first page, in points */
    public record Measures(int pages, double width, double height) {}

    private PagePictures() {}

    public static Measures measures(byte[] document) {
        try (PDDocument pdf = Loader.loadPDF(document)) {
            PDRectangle first = pdf.getPage(0).getMediaBox();
            return new Measures(pdf.getNumberOfPages(), first.getWidth(), first.getHeight());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @param page from 1 */
    public static byte[] png(byte[] document, int page) {
        try (PDDocument pdf = Loader.loadPDF(document);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            BufferedImage picture = new PDFRenderer(pdf).renderImageWithDPI(page - 1, FINE, ImageType.RGB);
            ImageIO.write(picture, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
