package app.loculus.core.finding;

/**
 * One chapter of the work with how it stands.
 *
 * @param fact one short fact about it, for people
 * @param holds what there is of it, for people; empty for nothing yet
 */
public record Chapter(String name, String fact, String holds, State state) {

    /** How a chapter stands. */
    public enum State {
        READY,
        NEEDS_AN_EYE,
        WRONG,
        NOT_BEGUN
    }
}
