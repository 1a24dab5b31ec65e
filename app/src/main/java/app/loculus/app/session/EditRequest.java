package app.loculus.app.session;

import java.util.Optional;

/**
 * How an edit is asked for.
 *
 * @param preview whether nothing is to be kept
 * @param gesture edits of one gesture are undone together; empty for none
 * @param madeOn revision the edit was made on, when the asker says
 * @param key repeating a request with the same key answers the first outcome again
 */
public record EditRequest(boolean preview, String gesture, Optional<Long> madeOn, Optional<Key> key) {

    /**
     * A key and what was asked with it.
     *
     * @param content digest of the request; the same key with another one is refused
     */
    public record Key(String name, String content) {}

    public static final EditRequest NOW = new EditRequest(false, "", Optional.empty(), Optional.empty());

    /** The same for something of several parts, of which only the last goes by the revision. */
    public EditRequest onAnyRevision() {
        return new EditRequest(preview, gesture, Optional.empty(), key);
    }

    public EditRequest on(long revision) {
        return new EditRequest(preview, gesture, Optional.of(revision), key);
    }
}
