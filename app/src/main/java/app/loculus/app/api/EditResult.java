package app.loculus.app.api;

import app.loculus.app.session.Edited;
import app.loculus.core.problem.Refusal;
import java.util.List;

/**
 * What an edit did or would do.
 *
 * @param reading in short
 * @param words the same at length
 * @param problems warnings that come with it
 * @param landings where fixtures land, for the map
 * @param changes whether anything changes at all
 * @param lasting whether something else referred to what it takes away
 * @param repeated whether this is the answer of an earlier request with the same key
 */
public record EditResult(
        boolean preview,
        String reading,
        List<String> words,
        List<ProblemView> problems,
        long revision,
        List<Landing> landings,
        boolean lasting,
        boolean changes,
        boolean repeated) {

    /** @throws Refusal when it was refused */
    public static EditResult of(Edited edited, boolean preview) {
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        List<String> words = edited.outcome().words();
        return new EditResult(
                preview,
                String.join(" · ", words.subList(0, Math.min(2, words.size()))),
                words,
                ProblemView.all(edited.outcome().problems()),
                edited.revision(),
                Landing.of(edited.outcome()),
                Losing.of(edited.outcome()),
                !edited.outcome().delta().isEmpty(),
                edited.repeated());
    }
}
