package app.loculus.core.carry;

/** What becomes of a value on another fixture, the best first. */
public enum Verdict {
    /** The very same. */
    CARRIES("carries"),
    /** Another number that does the same. */
    ANEW("worked out anew"),
    /** As near as the other one comes. */
    NEAREST("the nearest it can"),
    /** Nothing does it there. */
    LOST("lost");

    private final String words;

    Verdict(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public Verdict orWorse(Verdict other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
