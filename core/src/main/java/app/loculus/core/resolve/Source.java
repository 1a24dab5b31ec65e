package app.loculus.core.resolve;

import app.loculus.core.value.PaletteId;

/** Why a channel is where it is. */
public sealed interface Source {

    /** Nobody has said anything. */
    record Home() implements Source {}

    /** Set in the programmer. */
    record ByHand() implements Source {}

    /** Follows a palette. */
    record FromPalette(PaletteId palette) implements Source {}

    /** Shown off because it is in hand. */
    record Highlight() implements Source {}
}
