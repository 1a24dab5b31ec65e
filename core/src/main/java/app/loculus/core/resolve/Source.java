package app.loculus.core.resolve;

import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.Optional;

/** Why a channel is where it is. */
public sealed interface Source {

    /** Home, hand, palette, look, effect or highlight. */
    String word();

    /** The palette it comes from, if it comes from one. */
    default Optional<PaletteId> followed() {
        return Optional.empty();
    }

    /** The place it has in an effect, if one moves it. */
    default Optional<Use> moved() {
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

    /** Moved by an effect. */
    record ByEffect(AttributeValue.Moved value) implements Source {
        @Override
        public String word() {
            return "effect";
        }

        @Override
        public Optional<PaletteId> followed() {
            return value.followed();
        }

        @Override
        public Optional<Use> moved() {
            return value.moved();
        }
    }

    /** Shown off because it is selected. */
    record Highlight() implements Source {
        @Override
        public String word() {
            return "highlight";
        }
    }
}
