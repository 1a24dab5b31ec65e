package app.loculus.core.value;

/** Stays with a palette whatever its number. */
public record PaletteId(int value) {}
