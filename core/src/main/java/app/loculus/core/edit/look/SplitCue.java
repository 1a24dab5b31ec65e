package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Look;
import app.loculus.core.look.Start;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Seconds;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Makes two cues of one: some of its values go into a new cue right behind it that starts with it, so that they can have
 * times of their own. Where cues stand alone the new one holds the others too, for it would put them out.
 *
 * @param units whose values; everybody's when absent
 * @param what which of their values
 */
public record SplitCue(CueId cue, Optional<Choice> units, Taking what) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Cue from = show.get(PartKinds.CUES, cue);
        Look held = show.look(from.look());
        draft.reads(PartKinds.CUES, cue);
        CueList list = show.list(from.list()).orElseThrow();
        if (list.chase()) {
            throw Refusal.of(
                    "cue.split",
                    "cue",
                    list + " is a chase: its steps all have the same time, so there is nothing to split them for.",
                    WayOut.line("Make it a list", "list " + list.number() + " as list"));
        }
        draft.reads(PartKinds.LOOKS, held.id());
        Set<UnitId> chosen = units.map(u -> draft.chosen(u).units().stream()
                        .flatMap(unit -> Touching.withCells(show.patch(), unit).stream())
                        .collect(Collectors.toSet()))
                .orElse(held.values().keySet());
        Map<UnitId, UnitValues> stay =
                draft.companions().needed(TakeOutOfLook.without(show, held.values(), chosen, what));
        Map<UnitId, UnitValues> go = draft.companions().needed(gone(held.values(), stay));
        if (go.isEmpty() || stay.isEmpty()) {
            throw Refusal.of(
                    "cue.split",
                    "cue",
                    go.isEmpty() ? from + " holds nothing of these." : "All of " + from + " would go: nothing is left.",
                    WayOut.advice("Say what goes: split cue " + from.number() + " with position, or units."));
        }
        boolean alone = list.join() == CueList.Join.STANDING_ALONE;
        put(
                draft,
                from,
                held.holding(stay),
                alone ? held.values() : go,
                LookDifference.of(show, Map.of(), go).words());
    }

    /** What does not stay, with all that comes along: what is not needed is left out afterwards. */
    private static Map<UnitId, UnitValues> gone(Map<UnitId, UnitValues> all, Map<UnitId, UnitValues> stay) {
        Map<UnitId, UnitValues> gone = new LinkedHashMap<>();
        all.forEach((unit, values) -> {
            Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
            Optional.ofNullable(stay.get(unit))
                    .ifPresent(s -> s.byAttribute().forEach((attribute, touched) -> {
                        if (!touched.companion()) {
                            left.remove(attribute);
                        }
                    }));
            gone.put(unit, new UnitValues(left, values.asked()));
        });
        return gone;
    }

    private static void put(Draft draft, Cue from, Look stays, Map<UnitId, UnitValues> second, String moved) {
        Show show = draft.show();
        List<Cue> cues = show.cues(from.list());
        int at = cues.indexOf(from);
        Optional<CueNumber> after =
                at + 1 < cues.size() ? Optional.of(cues.get(at + 1).number()) : Optional.empty();
        // Close behind it, so that it is seen that they belong together.
        CueNumber close = new CueNumber(from.number().thousandths() + 100);
        CueNumber number = after.isEmpty() || close.compareTo(after.get()) < 0
                ? close
                : CueNumber.between(Optional.of(from.number()), after)
                        .orElseThrow(() -> Refusal.of(
                                "cue.split",
                                "cue",
                                "There is no number between " + from + " and the next cue.",
                                WayOut.advice("Renumber the cues first.")));
        Look other = Look.held(show.next(PartKinds.LOOKS), second);
        draft.put(PartKinds.LOOKS, stays);
        draft.put(PartKinds.LOOKS, other);
        Cue behind = new Cue(
                show.next(PartKinds.CUES),
                from.list(),
                number,
                from.name(),
                "",
                other.id(),
                from.timing(),
                from.next());
        draft.put(PartKinds.CUES, behind);
        draft.put(PartKinds.CUES, from.followed(new Start(Start.Trigger.BEGAN, Seconds.ZERO)));
        draft.say("Splits " + from + ": " + moved + " to cue " + number + ", which starts with it");
    }
}
