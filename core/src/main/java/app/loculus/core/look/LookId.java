package app.loculus.core.look;

/** Stays with a look whatever its number. */
public record LookId(int value) {}
