package app.loculus.core.mark;

/** Stays with a mark whatever it is called and wherever it is. */
public record MarkId(int value) {}
