package app.loculus.app.output;

/** Something runs otherwise than before, in the live show. No edit: nothing of it is kept. */
public record RunsChanged(long show) {}
