package app.loculus.formats.paper;

import app.loculus.core.paper.Sheet;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * How paper is set.
 *
 * @param across the long side lying; each sheet as it is best read when absent
 */
public record PaperOptions(Size size, Optional<Boolean> across) {

    public static final PaperOptions USUAL = new PaperOptions(Size.A4, Optional.empty());

    /** ISO 216 and ANSI/ASME Y14.1. */
    public enum Size {
        A4(PDRectangle.A4),
        LETTER(PDRectangle.LETTER);

        private final PDRectangle upright;

        Size(PDRectangle upright) {
            this.upright = upright;
        }
    }

    PDRectangle page(Sheet sheet) {
        PDRectangle u = size.upright;
        return across.orElse(sheet.across()) ? new PDRectangle(u.getHeight(), u.getWidth()) : u;
    }

    /** Labels lie on the sheet they are peeled off, which is always upright. */
    PDRectangle labels() {
        return size.upright;
    }
}
