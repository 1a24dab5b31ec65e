package app.loculus.app.output;

/**
 * Something runs otherwise than before, in the live show. No edit: nothing of it is kept.
 *
 * @param byLight whether what the lights do decides who is in some group
 * @param step whether nothing but the step of a chase is another one
 */
public record RunsChanged(long show, boolean byLight, boolean step) {}
