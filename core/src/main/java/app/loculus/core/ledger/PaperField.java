package app.loculus.core.ledger;

import java.util.Locale;

/** What a paper can say about a fixture. */
public enum PaperField {
    NUMBER,
    NAME,
    TYPE,
    ADDRESS,
    POSITION,
    PURPOSE;

    public String word() {
        return this == TYPE ? "profile" : name().toLowerCase(Locale.ROOT);
    }
}
