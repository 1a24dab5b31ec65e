package app.loculus.core.programmer;

import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.Optional;

/**
 * One working value.
 *
 * @param touched whether it will be recorded
 * @param companion whether it only came along with another one
 * @param was the palette it followed before it was changed by hand, to which it can go back
 */
public record Touched(AttributeValue value, boolean touched, boolean companion, Optional<PaletteId> was) {

    public Touched {
        // What earlier versions wrote does not have it.
        was = was == null ? Optional.empty() : was;
    }

    public Touched(AttributeValue value, boolean touched, boolean companion) {
        this(value, touched, companion, Optional.empty());
    }

    public static Touched byHand(AttributeValue value) {
        return new Touched(value, true, false);
    }

    public static Touched along(AttributeValue value) {
        return new Touched(value, true, true);
    }

    /** The same without the palette it followed before. */
    public Touched forgetting() {
        return new Touched(value, touched, companion);
    }

    /** The same, having followed what another value follows, or followed before. */
    Touched after(Touched before) {
        Optional<PaletteId> followed =
                before == null ? Optional.empty() : before.value.followed().or(() -> before.was);
        return value.followed().isPresent() ? this : new Touched(value, touched, companion, followed);
    }
}
