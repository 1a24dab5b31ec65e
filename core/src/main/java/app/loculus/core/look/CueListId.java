package app.loculus.core.look;

/** Stays with a cue list whatever its number. */
public record CueListId(int value) {}
