package app.loculus.core.resolve;

import app.loculus.core.value.PaletteId;
import java.util.Optional;

/** Why a channel is where it is. */
public sealed interface Source {

    /** Home, hand, palette, look or highlight. */
    String word();

    /** The palette it comes from, if it comes from one. */
    default Optional<PaletteId> followed() {
        return Optional.empty();
    }

    /** Nobody has said anything. */
    record Home() implements Source {
        @Override
        public String word() {
            return "home";
        }
    }

    /** Set in the programmer. */
    record ByHand() implements Source {
        @Override
        public String word() {
            return "hand";
        }
    }

    /** Follows a palette. */
    record FromPalette(PaletteId palette) implements Source {
        @Override
        public String word() {
            return "palette";
        }

        @Override
        public Optional<PaletteId> followed() {
            return Optional.of(palette);
        }
    }

    /** A plain value of a look that is played. */
    record InLook() implements Source {
        @Override
        public String word() {
            return "look";
        }
    }

    /** Shown off because it is in hand. */
    record Highlight() implements Source {
        @Override
        public String word() {
            return "highlight";
        }
    }
}
