package app.loculus.app.output;

/**
 * What went out of one universe so far.
 *
 * @param packets all of them, to every receiver
 * @param perSecond of late
 * @param sinceMillis how long ago the last one went
 */
public record Sent(int universe, long packets, int perSecond, long sinceMillis) {}
