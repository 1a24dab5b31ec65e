package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
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
            throw Refusal.of(
                    "cue.prepare", "cue", "Nothing that was dark before moves while it comes in with " + moved + ".");
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
    }
}
