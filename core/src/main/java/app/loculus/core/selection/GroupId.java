package app.loculus.core.selection;

/** Stays with a group whatever its number; here, because choices name groups. */
public record GroupId(int value) {}
