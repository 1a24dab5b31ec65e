package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Sets the positions of lights that come in with a cue in the cue before, while they are dark: the move is not seen. */
public record PrepareCue(CueId cue) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Cue moved = show.get(PartKinds.CUES, cue);
        CueList list = show.list(moved.list()).orElseThrow();
        List<DarkMoves.Found> all = DarkMoves.of(show, list);
        int at = all.stream().map(f -> f.cue().id()).toList().indexOf(cue);
        DarkMoves.Found found = all.get(at);
        if (found.moves().isEmpty()) {
            throw found.late().isEmpty()
                    ? Refusal.of(
                            "cue.prepare",
                            "cue",
                            "Nothing that was dark before moves while it comes in with " + moved + ".")
                    : Refusal.of(
                            "cue.prepare",
                            "cue",
                            late(found) + " still on the way out with "
                                    + all.get(at - 1).cue() + ": the move would be seen.",
                            WayOut.advice("Record a cue between the two, in which they are dark."));
        }
        Cue before = all.get(at - 1).cue();
        Look look = show.look(before.look());
        Map<UnitId, UnitValues> set = new LinkedHashMap<>();
        found.moves().forEach((unit, positions) -> set.put(unit, new UnitValues(positions)));
        draft.reads(PartKinds.LOOKS, moved.look());
        draft.reads(PartKinds.LOOKS, look.id());
        draft.put(PartKinds.LOOKS, look.holding(RecordLook.merged(show.patch(), look.values(), set)));
        draft.say("Prepares " + moved + ": " + Numbers.count(set.size(), "unit")
                + (set.size() == 1 ? " moves" : " move") + " in the dark with " + before);
        if (!found.late().isEmpty()) {
            draft.warn(Problem.warning(
                    "cue.late",
                    "cue",
                    late(found) + " still on the way out with " + before
                            + " and left as they are: the move would be seen.",
                    WayOut.advice("Record a cue between the two, in which they are dark.")));
        }
    }

    private static String late(DarkMoves.Found found) {
        return Numbers.count(found.late().size(), "unit") + (found.late().size() == 1 ? " is" : " are");
    }
}
