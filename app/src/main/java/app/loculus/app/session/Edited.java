package app.loculus.app.session;

import app.loculus.core.show.Outcome;

/**
 * What an edit came to.
 *
 * @param revision of the show after it
 * @param repeated whether this is the answer of an earlier request with the same key
 */
public record Edited(Outcome outcome, long revision, boolean repeated) {

    public Edited(Outcome outcome, long revision) {
        this(outcome, revision, false);
    }
}
