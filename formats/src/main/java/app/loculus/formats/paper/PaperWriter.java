package app.loculus.formats.paper;

import app.loculus.core.paper.Sheet;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;

/** Sets a sheet as a PDF of A4 pages: every page says whose it is, which it is, and what its columns are. */
public final class PaperWriter {

    private PaperWriter() {}

    /** @param show its name; @param state which state of it, such as a revision and a date */
    public static byte[] write(Sheet sheet, String show, String state) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDDocumentInformation about = new PDDocumentInformation();
            about.setTitle(show + " – " + sheet.title());
            document.setDocumentInformation(about);
            Letters letters = new Letters(document);
            try (Pages pages = new Pages(document, letters, sheet, show)) {
                pages.set();
            }
            Pages.number(document, letters, state);
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
