package app.loculus.core.value;

/** Stays with a cue list whatever its number. */
public record CueListId(int value) {}
