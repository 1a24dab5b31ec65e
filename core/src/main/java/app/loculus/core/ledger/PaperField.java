package app.loculus.core.ledger;

import java.util.Locale;

/** What a paper can say about a fixture. */
public enum PaperField {
    NUMBER,
    NAME,
    TYPE,
    ADDRESS,
    POSITION,
    PURPOSE,
    /** Where it hangs and how it is turned; drawings alone say that. */
    PLACE,
    /** Which ways it turns the other way round; drawings alone say that. */
    INVERTED,
    /** Colour filter in front of it; drawings alone say that. */
    GEL;

    public String word() {
        return this == TYPE ? "profile" : name().toLowerCase(Locale.ROOT);
    }
}
