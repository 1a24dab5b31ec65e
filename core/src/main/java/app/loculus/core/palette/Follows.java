package app.loculus.core.palette;

/** Which of a palette's values a unit follows, narrowest first. */
public enum Follows {
    OWN("own values"),
    MODE("its mode's values"),
    TYPE("its type's values"),
    GLOBAL("global values"),
    COMPUTED("computed"),
    /** A last resort, and to be looked at: what a similar type has is as good as the two are alike. */
    LIKE("as a similar type"),
    NONE("does not follow");

    private final String words;

    Follows(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
