package app.loculus.core.resolve;

import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.Optional;

/**
 * A value as it counts now.
 *
 * @param value plain, no reference
 * @param from the palette it comes from
 * @param touched whether it will be recorded
 * @param companion whether it only came along with another one
 */
public record Held(AttributeValue value, Optional<PaletteId> from, boolean touched, boolean companion) {

    Source source() {
        return from.<Source>map(Source.FromPalette::new).orElseGet(Source.ByHand::new);
    }
}
