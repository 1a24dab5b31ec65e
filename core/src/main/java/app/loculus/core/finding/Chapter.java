package app.loculus.core.finding;

/**
 * One chapter of the work with how it stands.
 *
 * @param fact one short fact about it, for people
 */
public record Chapter(String name, String fact, State state) {

    /** How a chapter stands. */
    public enum State {
        READY,
        NEEDS_AN_EYE,
        WRONG,
        NOT_BEGUN
    }
}
