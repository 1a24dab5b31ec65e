package app.loculus.core.profile;

/**
 * The channel that decides whether a function works at all.
 *
 * @param channel key of the master channel
 * @param from lowest master value at which the function works, in the master's resolution
 * @param to highest such value, included
 */
public record ModeMaster(String channel, long from, long to) {

    /** Whether the function works at this value of the master, whatever function of the master it falls in. */
    public boolean metBy(long dmx) {
        return dmx >= from && dmx <= to;
    }

    /** A value well inside: the end for a range that reaches one, so that a crossfade is all the way over; else its middle. */
    public long chosen(long masterMax) {
        if (to >= masterMax) {
            return masterMax;
        }
        return from == 0 ? 0 : from + (to - from) / 2;
    }
}
