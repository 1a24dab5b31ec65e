package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.CueListId;
import java.util.List;
import java.util.stream.Collectors;

/** Deletes cues, a list, looks or submasters with what they hold. */
public sealed interface DeleteKept extends ShowEdit {

    /** Cues of one list. */
    record Cues(List<CueId> cues) implements DeleteKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            List<Cue> gone = cues.stream().map(c -> show.get(PartKinds.CUES, c)).toList();
            gone.forEach(c -> remove(draft, c));
            draft.say("Deletes " + (gone.size() == 1 ? gone.get(0) : gone.size() + " cues") + " of "
                    + show.list(gone.get(0).list()).map(CueList::toString).orElse(""));
            String behind = gone.stream()
                    .flatMap(
                            c -> Carried.changed(
                                    show,
                                    show.look(c.look()),
                                    show.look(c.look()).values(),
                                    java.util.Map.of())
                                    .stream())
                    .filter(c -> !gone.contains(c))
                    .distinct()
                    .map(c -> c.number().toString())
                    .limit(6)
                    .collect(Collectors.joining(", "));
            if (!behind.isEmpty()) {
                draft.say("Carried on so far, and no longer: in " + behind);
            }
        }
    }

    /** A list with its cues. */
    record OfList(CueListId list) implements DeleteKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            List<Cue> cues = show.cues(list);
            cues.forEach(c -> remove(draft, c));
            draft.remove(PartKinds.LISTS, list);
            draft.say("Deletes " + show.list(list).orElseThrow() + " with " + Numbers.count(cues.size(), "cue"));
        }
    }

    /** Looks that stand by themselves. */
    record Looks(List<LookId> looks) implements DeleteKept {
        @Override
        public void on(Draft draft) {
            draft.say("Deletes "
                    + looks.stream().map(l -> draft.show().look(l).toString()).collect(Collectors.joining(", ")));
            looks.forEach(l -> look(draft, l));
        }
    }

    /** Submasters. */
    record Submasters(List<SubmasterId> submasters) implements DeleteKept {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            List<Submaster> gone = submasters.stream()
                    .map(s -> show.get(PartKinds.SUBMASTERS, s))
                    .toList();
            gone.forEach(s -> {
                draft.remove(PartKinds.SUBMASTERS, s.id());
                look(draft, s.look());
            });
            draft.say("Deletes " + gone.stream().map(Submaster::toString).collect(Collectors.joining(", ")));
        }
    }

    private static void remove(Draft draft, Cue cue) {
        draft.remove(PartKinds.CUES, cue.id());
        look(draft, cue.look());
    }

    /** One that is open is closed; its values stay selected. */
    private static void look(Draft draft, LookId look) {
        draft.remove(PartKinds.LOOKS, look);
        OpenLook.closed(draft, look);
    }
}
