package app.loculus.app.api;

import app.loculus.app.session.Edited;
import app.loculus.app.session.Shows;
import app.loculus.core.desk.Carried;
import app.loculus.core.group.Group;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.GroupId;
import app.loculus.core.show.Change;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;

/**
 * What an edit did or would do.
 *
 * @param reading in short
 * @param words the same at length
 * @param problems warnings that come with it; of a preview also what it would be refused for
 * @param landings where fixtures land, for the map
 * @param changes whether anything changes at all
 * @param lasting whether something else referred to what it takes away
 * @param units labels of who it is about: the selected afterwards, or those of the one group that is written; only of
 *     a preview, and only when it changes them
 * @param palettes what becomes of palettes; only of a preview
 * @param carried what goes from one place on the stage to another; only of a preview
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
        List<String> units,
        List<PaletteChange> palettes,
        List<Carried> carried,
        boolean repeated) {

    /** @throws Refusal when it was refused */
    public static EditResult of(Edited edited, boolean preview) {
        return of(edited, preview, show -> show);
    }

    /** @param lit a show under what plays: who is meant may go by light */
    private static EditResult of(Edited edited, boolean preview, UnaryOperator<Show> lit) {
        if (edited.outcome().refused()) {
            throw new Refusal(edited.outcome().problems());
        }
        List<String> words = edited.outcome().words();
        return new EditResult(
                preview,
                String.join(" · ", words.subList(0, Math.min(2, words.size()))),
                ProblemView.first(words),
                ProblemView.all(edited.outcome().problems()),
                edited.revision(),
                Landing.of(edited.outcome()),
                Losing.of(edited.outcome()),
                !edited.outcome().delta().isEmpty(),
                preview ? units(edited.outcome(), lit) : List.of(),
                preview ? PaletteChange.all(edited.outcome()) : List.of(),
                preview ? Carried.of(edited.outcome()) : List.of(),
                edited.repeated());
    }

    /**
     * What an edit did, or would do. What would be refused is an answer too: whoever asks while a line is half typed has
     * done nothing wrong.
     *
     * @param id of the show that it is about
     */
    public static EditResult answer(Shows shows, long id, boolean preview, Supplier<Edited> doing) {
        try {
            return of(doing.get(), preview, show -> shows.lit(id, show));
        } catch (Refusal refusal) {
            if (!preview) {
                throw refusal;
            }
            return new EditResult(
                    true,
                    "",
                    List.of(),
                    ProblemView.all(refusal.problems()),
                    shows.get(id).revision(),
                    List.of(),
                    false,
                    false,
                    List.of(),
                    List.of(),
                    List.of(),
                    false);
        }
    }

    private static List<String> units(Outcome outcome, UnaryOperator<Show> lit) {
        Show show = lit.apply(outcome.show());
        List<Change<GroupId, Group>> groups = outcome.delta().of(PartKinds.GROUPS);
        List<UnitId> about = groups.size() == 1 && groups.get(0).after().isPresent()
                ? show.units(groups.get(0).after().get()).units()
                : outcome.delta().of(PartKinds.HAND).isEmpty()
                        ? List.of()
                        : show.hand().selection().units();
        return about.stream().map(show::label).toList();
    }
}
