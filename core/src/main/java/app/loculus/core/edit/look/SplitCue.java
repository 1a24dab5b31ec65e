package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
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
 * times of their own.
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
        draft.reads(PartKinds.LOOKS, held.id());
        Set<UnitId> chosen = units.map(u -> draft.chosen(u).units().stream()
                        .flatMap(unit -> Touching.withCells(show.patch(), unit).stream())
                        .collect(Collectors.toSet()))
                .orElse(held.values().keySet());
        Map<UnitId, UnitValues> stay = TakeOutOfLook.without(show, held.values(), chosen, what);
        Map<UnitId, UnitValues> go = new LinkedHashMap<>();
        held.values().forEach((unit, values) -> {
            Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
            Optional.ofNullable(stay.get(unit))
                    .ifPresent(s -> left.keySet().removeAll(s.byAttribute().keySet()));
            if (!left.isEmpty()) {
                go.put(unit, new UnitValues(left));
            }
        });
        if (go.isEmpty() || stay.isEmpty()) {
            throw Refusal.of(
                    "cue.split",
                    "cue",
                    go.isEmpty() ? from + " holds nothing of these." : "All of " + from + " would go: nothing is left.",
                    WayOut.advice("Say what goes: split cue " + from.number() + " with position, or units."));
        }
        put(draft, from, held, stay, go);
    }

    private static void put(
            Draft draft, Cue from, Look held, Map<UnitId, UnitValues> stay, Map<UnitId, UnitValues> go) {
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
        Look other = Look.held(show.nextLookId(), go);
        draft.put(PartKinds.LOOKS, held.holding(stay));
        draft.put(PartKinds.LOOKS, other);
        Cue second =
                new Cue(show.nextCueId(), from.list(), number, from.name(), "", other.id(), from.timing(), from.next());
        draft.put(PartKinds.CUES, second);
        draft.put(PartKinds.CUES, from.followed(new Start(Start.Trigger.BEGAN, Seconds.ZERO)));
        draft.say("Splits " + from + ": "
                + LookDifference.of(show, Map.of(), go).words() + " to cue " + number + ", which starts with it");
    }
}
