package app.loculus.app.session;

import java.util.Optional;

/**
 * How an edit is asked for.
 *
 * @param preview whether nothing is to be kept
 * @param gesture edits of one gesture are undone together; empty for none
 * @param madeOn revision the edit was made on, when the asker says
 * @param key repeating a request with the same key answers the first outcome again; empty for none
 */
public record EditRequest(boolean preview, String gesture, Optional<Long> madeOn, String key) {

    public static final EditRequest NOW = new EditRequest(false, "", Optional.empty(), "");
}
