package app.loculus.core.edit.look;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.AttributeWords;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is taken into a look.
 *
 * @param all everything that is not at home, from whichever layer; else what is touched
 * @param selected of the selected alone; of everybody else
 * @param of these kinds alone; every kind when empty
 * @param only attributes as people call them; all of the kinds when empty
 * @param without attributes that are left out
 */
public record Taking(boolean all, boolean selected, Set<Kind> of, List<String> only, List<String> without) {

    /** Everything that is touched. */
    public static final Taking TOUCHED = new Taking(false, false, Set.of(), List.of(), List.of());

    public Taking {
        of = Set.copyOf(of);
        only = List.copyOf(only);
        without = List.copyOf(without);
    }

    /** As the line has it, with a blank before each word. */
    String words() {
        StringBuilder line = new StringBuilder(all ? " all" : "").append(selected ? " selected" : "");
        of.stream().sorted().forEach(k -> line.append(" with ").append(k.word()));
        line.append(only.isEmpty() ? "" : " only " + String.join(", ", only));
        line.append(without.isEmpty() ? "" : " without " + String.join(", ", without));
        return line.toString();
    }

    /** By unit, with all that it does not work without; what follows a palette goes on following it. */
    Map<UnitId, UnitValues> values(Draft draft) {
        draft.reads(PartKinds.VALUES);
        Show show = draft.show();
        Map<UnitId, UnitValues> found =
                all ? WholeState.of(show, (unit, attribute) -> wanted(show, unit, attribute)) : touched(show);
        if (selected) {
            found.keySet().retainAll(inHand(show.patch(), draft.held()));
        }
        return shared(draft.companions().complete(found, show.programmer()::of));
    }

    /** The selected, their cells, and what those lie in. */
    private static Set<UnitId> inHand(Patch patch, Selection selection) {
        Set<UnitId> all = new LinkedHashSet<>();
        selection.units().forEach(u -> {
            all.add(UnitId.whole(u.fixture()));
            all.addAll(Touching.withCells(patch, u));
        });
        return all;
    }

    /** How many of them are selected, when there are others; blank otherwise. */
    String counts(Draft draft, Set<UnitId> taken) {
        if (all || selected || draft.hand().selection().isEmpty()) {
            return "";
        }
        Set<UnitId> held = inHand(draft.show().patch(), draft.hand().selection());
        long own = taken.stream().filter(held::contains).count();
        return own == taken.size() ? "" : ": " + own + " selected, " + (taken.size() - own) + " not";
    }

    /** Units that have the same share it: a look of thousands of units takes the memory of a few. */
    private static Map<UnitId, UnitValues> shared(Map<UnitId, UnitValues> found) {
        Map<UnitValues, UnitValues> known = new HashMap<>();
        found.replaceAll((unit, values) -> known.computeIfAbsent(values, v -> v));
        return found;
    }

    /** With all that only comes along: what nothing needs is left out afterwards. */
    private Map<UnitId, UnitValues> touched(Show show) {
        Map<UnitId, UnitValues> found = new LinkedHashMap<>();
        show.programmer().values().forEach((unit, values) -> {
            Map<Attribute, Touched> kept = new LinkedHashMap<>();
            values.byAttribute().forEach((attribute, t) -> {
                if (t.touched()
                        && !(t.value() instanceof AttributeValue.Released)
                        && (t.companion() || wanted(show, unit, attribute))) {
                    kept.put(attribute, new Touched(anew(t.value()), true, t.companion()));
                }
            });
            if (!kept.isEmpty()) {
                boolean colours = kept.keySet().stream().anyMatch(Attribute::makesColour);
                found.put(unit, new UnitValues(kept, colours ? values.asked() : Optional.empty()));
            }
        });
        return found;
    }

    private static AttributeValue anew(AttributeValue value) {
        return value instanceof AttributeValue.Moved m
                ? new AttributeValue.Moved(m.use().anew(), m.over())
                : value;
    }

    /** Everything that is not at home, as the lights of a show are seen. */
    public static Map<UnitId, UnitValues> onStage(Show show) {
        return WholeState.notAtHome(show);
    }

    private boolean wanted(Show show, UnitId unit, Attribute attribute) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = profile.mode(fixture.mode());
        return (of.isEmpty() || of.contains(profile.kindOf(attribute)))
                && (only.isEmpty() || named(profile, mode, attribute, only))
                && !named(profile, mode, attribute, without);
    }

    /** A mix is named by any of its emitters. */
    private static boolean named(Profile profile, Mode mode, Attribute attribute, List<String> words) {
        return words.stream()
                .flatMap(w -> AttributeWords.meant(profile, mode, w).stream())
                .anyMatch(a -> a.equals(attribute) || a.isMix() && attribute.isMix());
    }

    /** Of values that are there those that would be taken. */
    Map<Attribute, Touched> of(Show show, UnitId unit, UnitValues values) {
        Map<Attribute, Touched> found = new LinkedHashMap<>();
        values.byAttribute().forEach((attribute, t) -> {
            if (wanted(show, unit, attribute)) {
                found.put(attribute, t);
            }
        });
        return found;
    }
}
