package app.loculus.core.look;

/** Stays with a cue whatever its number. */
public record CueId(int value) {}
