package app.loculus.core.ledger;

import app.loculus.core.unit.Limits;

/**
 * A finding that somebody has looked at and left as it is.
 *
 * @param words the finding, as it was told then
 * @param matter what it was about then; once it is about something else, it is open again
 * @param reason why it may stay, may be empty
 */
public record Aside(FindingKey finding, String words, String matter, String reason, String on) {

    public Aside {
        reason = Limits.text("aside.reason", "reason", reason, Limits.NOTES).strip();
    }

    @Override
    public String toString() {
        return words;
    }
}
