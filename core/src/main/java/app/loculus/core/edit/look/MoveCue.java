package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueNumber;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Moves a cue among those of its list: to a number that is free, or before another one. What must be renumbered for it is.
 *
 * @param before the cue that it comes before; exactly one of the two is there
 */
public record MoveCue(CueId cue, Optional<CueNumber> to, Optional<CueId> before) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Cue moved = show.get(PartKinds.CUES, cue);
        List<Cue> others = new ArrayList<>(show.cues(moved.list()));
        others.forEach(c -> draft.reads(PartKinds.CUES, c.id()));
        others.remove(moved);
        if (to.isPresent()) {
            to(draft, moved, others);
        } else {
            before(draft, moved, others);
        }
    }

    private void to(Draft draft, Cue moved, List<Cue> others) {
        CueNumber number = to.orElseThrow();
        Optional<Cue> there =
                others.stream().filter(c -> c.number().equals(number)).findFirst();
        there.ifPresent(c -> {
            throw Refusal.of(
                    "cue.taken",
                    "cue",
                    c + " has that number.",
                    app.loculus.core.problem.WayOut.line(
                            "Put it before that one", "move cue " + moved.number() + " before " + number));
        });
        draft.put(PartKinds.CUES, moved.numbered(number));
        draft.say("Cue " + moved.number() + " becomes " + moved.numbered(number));
    }

    private void before(Draft draft, Cue moved, List<Cue> others) {
        int at = others.stream().map(Cue::id).toList().indexOf(before.orElseThrow());
        if (at < 0) {
            throw Refusal.of("cue.unknown", "cue", "A cue is not moved before itself.");
        }
        Optional<CueNumber> below =
                at == 0 ? Optional.empty() : Optional.of(others.get(at - 1).number());
        Optional<CueNumber> free =
                CueNumber.between(below, Optional.of(others.get(at).number()));
        if (free.isPresent()) {
            draft.put(PartKinds.CUES, moved.numbered(free.get()));
            draft.say(
                    "Cue " + moved.number() + " becomes " + moved.numbered(free.get()) + ", before " + others.get(at));
            return;
        }
        // No room: those behind move up as far as they must.
        others.add(at, moved);
        int last = below.map(CueNumber::thousandths).orElse(0);
        List<String> renumbered = new ArrayList<>();
        for (int i = at; i < others.size(); i++) {
            Cue c = others.get(i);
            if (c.number().thousandths() > last && i > at) {
                break;
            }
            CueNumber next = new CueNumber(++last);
            draft.put(PartKinds.CUES, c.numbered(next));
            renumbered.add(c.number() + " → " + next);
        }
        draft.say("Cue " + moved.number() + " comes before; renumbered: " + String.join(", ", renumbered));
    }
}
