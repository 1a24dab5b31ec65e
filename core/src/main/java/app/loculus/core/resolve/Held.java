package app.loculus.core.resolve;

import app.loculus.core.motion.Moving;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.Optional;

/**
 * A value as it counts now.
 *
 * @param value plain, no reference to a palette; for what moves what it moves around, as far as that is said
 * @param from the palette it comes from
 * @param touched whether it will be recorded
 * @param companion whether it only came along with another one
 * @param moving the effect that moves it
 */
public record Held(
        AttributeValue value, Optional<PaletteId> from, boolean touched, boolean companion, Optional<Moving> moving) {

    public Held(AttributeValue value, Optional<PaletteId> from, boolean touched, boolean companion) {
        this(value, from, touched, companion, Optional.empty());
    }

    /** As values refer to it. */
    public AttributeValue.Moved moved() {
        Optional<AttributeValue> over = from.<AttributeValue>map(AttributeValue.Reference::new)
                .or(() -> value instanceof AttributeValue.Moved m ? m.over() : Optional.of(value));
        return new AttributeValue.Moved(moving.orElseThrow().use(), over);
    }

    /** The same referring to no palette, moved or not. */
    public AttributeValue plain() {
        return moving.<AttributeValue>map(m -> new AttributeValue.Moved(
                        m.use(), value instanceof AttributeValue.Moved ? Optional.empty() : Optional.of(value)))
                .orElse(value);
    }

    public Source source() {
        if (moving.isPresent()) {
            return new Source.ByEffect(moved());
        }
        return from.<Source>map(Source.FromPalette::new).orElseGet(Source.ByHand::new);
    }
}
