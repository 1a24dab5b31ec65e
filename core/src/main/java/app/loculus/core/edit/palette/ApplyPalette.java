package app.loculus.core.edit.palette;

import app.loculus.core.edit.hand.Choose;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Reach;
import app.loculus.core.palette.ReachRow;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Decimal;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Applies a palette to the selection; with nothing selected, first picks up the units it has values of their own for.
 *
 * @param asValues copy the values instead of following the palette
 */
public record ApplyPalette(PaletteId palette, boolean asValues) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Palette applied = draft.show().palette(palette).orElseThrow();
        draft.reads(PartKinds.PALETTES, palette);
        if (draft.hand().selection().isEmpty()) {
            pickUp(draft, applied);
        }
        Show show = draft.show();
        List<UnitId> units = living(show, show.hand().selection().units());
        units.stream().map(UnitId::fixture).distinct().forEach(draft::reads);
        Touching touching = draft.touching();
        int followed = onto(touching, show, applied, units, asValues);
        if (followed == 0) {
            throw Refusal.of(
                    "palette.nobody",
                    "palette",
                    "Nothing selected follows " + applied + ": " + why(show, applied, units) + ".");
        }
        draft.setAll(touching.changed());
        tell(draft, applied, units);
    }

    private void pickUp(Draft draft, Palette applied) {
        if (applied.units().isEmpty()) {
            throw Refusal.of(
                    "selection.empty",
                    "palette",
                    "Nothing is selected, and " + applied + " belongs to no fixture of its own.",
                    WayOut.advice("Choose fixtures first."));
        }
        Choose.units(Selection.of(applied.units())).on(draft);
    }

    /**
     * Sets what a palette gives.
     *
     * @param units cells, and whole fixtures that values live on
     * @param asValues copy the values instead of following the palette
     * @return how many of them follow it
     */
    public static int onto(Touching touching, Show show, Palette applied, List<UnitId> units, boolean asValues) {
        int followed = 0;
        for (UnitId unit : units) {
            Given given = show.resolver().giver().give(applied, unit);
            if (given.follow()) {
                Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
                // A mode that the palette gives the fixture is the one it was recorded in, for its cells as well.
                if (mode.mastered()) {
                    given.values()
                            .keySet()
                            .forEach(a -> mode.parameter(unit.cell(), a)
                                    .ifPresent(p -> touching.leave(unit.fixture(), p.channel())));
                }
                touching.setTogether(
                        unit,
                        values(given, applied, asValues),
                        given.companions(),
                        asValues ? applied.intent() : Optional.empty());
                followed++;
            }
        }
        return followed;
    }

    /** Units that values live on: cells, and whole fixtures with parameters of their own. */
    public static List<UnitId> living(Show show, Collection<UnitId> units) {
        return units.stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .filter(u -> !show.patch()
                        .modeOf(show.patch().get(u.fixture()))
                        .parameters(u.cell())
                        .isEmpty())
                .distinct()
                .toList();
    }

    private static Map<Attribute, AttributeValue> values(Given given, Palette applied, boolean asValues) {
        Map<Attribute, AttributeValue> values = new LinkedHashMap<>();
        given.values().forEach((a, v) -> values.put(a, asValues ? v : new AttributeValue.Reference(applied.id())));
        return values;
    }

    /** Why the first of them does not follow. */
    public static String why(Show show, Palette applied, List<UnitId> units) {
        List<ReachRow> rows = new Reach(show.patch(), show.resolver().giver(), units).of(applied);
        return rows.isEmpty() ? "nothing is selected" : rows.get(0).words();
    }

    private static void tell(Draft draft, Palette applied, List<UnitId> units) {
        Show show = draft.show();
        draft.say("Applies " + applied);
        applied.label()
                .seconds()
                .filter(s -> s > 0)
                .ifPresent(s -> draft.say(
                        "By hand it is there at once; its " + Decimal.text(s, 2) + " s play where a cue refers to it"));
        for (ReachRow row : new Reach(show.patch(), show.resolver().giver(), units).of(applied)) {
            String words =
                    row.units() + " × " + show.profiles().get(row.profile()).name() + ": " + row.words()
                            + row.difference().map(d -> ", " + d).orElse("");
            boolean cellsFollow =
                    show.profiles().get(row.profile()).mode(row.mode()).cells() > 0;
            if (row.follows() != app.loculus.core.palette.Follows.NONE) {
                draft.say(words);
            } else if (!cellsFollow) {
                draft.warn(Problem.warning("palette.without", "palette", words + "."));
            }
        }
    }
}
