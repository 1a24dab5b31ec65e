package app.loculus.core.profile;

/**
 * One channel that acts on another.
 *
 * @param master key of the acting channel
 * @param follower key of the channel that is acted on
 */
public record Relation(String name, String master, String follower, Type type) {

    /** How it acts. */
    public enum Type {
        /** The follower's value times the master's: a virtual dimmer, a group master. */
        MULTIPLY,
        /** The master takes the follower over; shown, not carried out. */
        OVERRIDE
    }
}
