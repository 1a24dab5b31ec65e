package app.loculus.core.edit.look;

import app.loculus.core.look.Look;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Records what is touched, or all that is not at home, as a look.
 *
 * @param onto what becomes of a look that is there already
 * @param list as the line names it, for words; empty for the chosen one
 */
public record RecordLook(Place place, Optional<String> name, Taking what, Onto onto, String list) implements ShowEdit {

    /** What becomes of a look that is there already. */
    public enum Onto {
        REFUSE,
        MERGE,
        REPLACE
    }

    @Override
    public void on(Draft draft) {
        Map<UnitId, UnitValues> values = what.values(draft);
        if (values.isEmpty()) {
            throw Refusal.of(
                    "look.nothing",
                    "look",
                    what.all()
                            ? "Everything is at home, so there is nothing to record."
                            : what.selected()
                                    ? "Nothing is touched on what is selected."
                                    : "Nothing is touched, so there is nothing to record.",
                    WayOut.advice(
                            what.selected()
                                    ? "Leave “selected” out to record all that is touched, or select others."
                                    : "Set values first, or record “all”: what comes from cues too."));
        }
        Show show = draft.show();
        Optional<Look> there = place.there(show);
        there.ifPresentOrElse(look -> onto(draft, look, values), () -> {
            Look fresh = Look.held(show.next(PartKinds.LOOKS), values);
            draft.say("Records " + place.put(draft, fresh, name) + ": " + Numbers.count(values.size(), "unit")
                    + (what.all() ? ", all that is not at home" : ", what is touched")
                    + what.counts(draft, values.keySet()));
            draft.say(LookDifference.of(show, Map.of(), values).words());
        });
        String plain = Plain.words(draft.show(), values);
        if (!plain.isEmpty()) {
            draft.say(plain);
        }
    }

    private void onto(Draft draft, Look there, Map<UnitId, UnitValues> values) {
        Show show = draft.show();
        draft.reads(PartKinds.LOOKS, there.id());
        if (onto == Onto.REFUSE) {
            throw Refusal.of(
                    "look.exists",
                    "look",
                    place.words(show) + " exists already; say what shall become of it.",
                    way(draft, there, Onto.MERGE, values),
                    way(draft, there, Onto.REPLACE, values));
        }
        Map<UnitId, UnitValues> after = after(draft, there, onto, values);
        draft.put(PartKinds.LOOKS, there.holding(after));
        String called = place.words(show);
        name.ifPresent(n -> place.rename(draft, n));
        draft.say((onto == Onto.MERGE ? "Merges into " : "Replaces ") + place.words(draft.show()));
        draft.say(LookDifference.of(show, there.values(), after).words());
        if (!called.equals(place.words(draft.show()))) {
            draft.say("Renames it: it was " + called);
        }
    }

    static Map<UnitId, UnitValues> after(Draft draft, Look there, Onto onto, Map<UnitId, UnitValues> values) {
        return onto == Onto.REPLACE
                ? values
                : draft.companions().needed(merged(draft.show().patch(), there.values(), values));
    }

    /** Channel by channel, the later ones on top: what is set takes the place of whatever drove the same channel. */
    public static Map<UnitId, UnitValues> merged(
            Patch patch, Map<UnitId, UnitValues> below, Map<UnitId, UnitValues> above) {
        Map<UnitId, UnitValues> all = new LinkedHashMap<>(below);
        above.forEach((unit, values) -> all.merge(unit, values, (was, is) -> {
            Map<Attribute, Touched> both = new LinkedHashMap<>(was.byAttribute());
            patch.find(unit.fixture())
                    .map(patch::modeOf)
                    .ifPresent(mode -> is.byAttribute()
                            .keySet()
                            .forEach(a -> both.keySet().removeAll(mode.sharing(unit.cell(), a))));
            both.putAll(is.byAttribute());
            boolean colours = is.byAttribute().keySet().stream().anyMatch(Attribute::makesColour);
            return new UnitValues(both, colours ? is.asked() : was.asked());
        }));
        return all;
    }

    private WayOut way(Draft draft, Look there, Onto how, Map<UnitId, UnitValues> values) {
        String words = LookDifference.of(draft.show(), there.values(), after(draft, there, how, values))
                .words();
        return WayOut.line(
                (how == Onto.MERGE ? "Merge: " : "Replace: ") + words,
                "record " + place.line(name) + list + what.words() + (how == Onto.MERGE ? " merge" : " replace"));
    }
}
