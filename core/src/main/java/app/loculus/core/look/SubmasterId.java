package app.loculus.core.look;

/** Stays with a submaster whatever its number. */
public record SubmasterId(int value) {}
