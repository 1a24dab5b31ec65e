package app.loculus.core.profile;

/**
 * The channel that decides whether a function works at all.
 *
 * @param channel key of the master channel
 * @param from lowest master value at which the function works, in the master's resolution
 * @param to highest such value, included
 */
public record ModeMaster(String channel, long from, long to) {

    /** The end of the range that lies furthest into it: the top for a range that ends at the top. */
    public long chosen(long masterMax) {
        return to == masterMax ? to : from;
    }
}
