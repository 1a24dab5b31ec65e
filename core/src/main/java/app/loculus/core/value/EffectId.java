package app.loculus.core.value;

/** Stays with an effect whatever its number. */
public record EffectId(int value) {}
