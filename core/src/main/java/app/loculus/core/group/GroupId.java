package app.loculus.core.group;

/** Stays with a group whatever its number. */
public record GroupId(int value) {}
