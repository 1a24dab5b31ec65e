package app.loculus.core.edit.palette;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Aiming.PanTilt;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Aimed;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Lets heads get to a position the other way over, wherever it is followed; at a mark they stay at the mark. */
public record FlipInPalette(PaletteId palette, Choice units) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        draft.reads(PartKinds.PALETTES);
        draft.reads(PartKinds.MARKS);
        Map<UnitId, List<Entry>> over = new LinkedHashMap<>();
        draft.chosen(units).units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .distinct()
                .forEach(unit -> {
                    draft.reads(unit.fixture());
                    over(show, before, unit).ifPresent(entries -> over.put(unit, entries));
                });
        if (over.isEmpty()) {
            throw Refusal.of("flip.nobody", "selection", "None of these gets to " + before + " the other way over.");
        }
        List<Entry> all = Stream.concat(
                        before.entries().stream()
                                .filter(e -> e.scope()
                                        .ownUnit()
                                        .filter(over::containsKey)
                                        .isEmpty()),
                        over.values().stream().flatMap(List::stream))
                .toList();
        Palette after = before.holding(all);
        draft.put(after);
        draft.say("Flips " + Numbers.count(over.size(), "head") + " in " + before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }

    /** Entries of its own in place of those it has; empty when it gets there on one way alone. */
    private static Optional<List<Entry>> over(Show show, Palette palette, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        Mode mode = show.patch().modeOf(fixture);
        Given given = show.resolver().giver().give(palette, unit);
        Aiming.Reach reach = Aimed.reach(mode, unit.cell()).orElse(null);
        if (reach == null || given.outOfReach()) {
            return Optional.empty();
        }
        Optional<Mark> mark = palette.aim().flatMap(m -> show.find(PartKinds.MARKS, m));
        boolean raw = palette.entries(new ScopeKey.Unit(unit)).values().stream()
                .anyMatch(e -> !(e.value() instanceof AttributeValue.Aimed));
        return Aimed.pointed(mode, unit.cell(), given.values())
                .flatMap(now -> Aiming.over(now, reach).stream().min(Comparator.comparingDouble(reach::aside)))
                .map(there -> mark.isPresent() && fixture.pose().isPresent() && !raw
                        ? List.of(entry(
                                unit,
                                Attribute.PAN,
                                new AttributeValue.Aimed(Aiming.nearest(
                                                fixture.pose().get(), mark.get().at(), reach, there.pan(), there.tilt())
                                        .way())))
                        : turned(unit, given, there));
    }

    private static List<Entry> turned(UnitId unit, Given given, PanTilt there) {
        List<Entry> entries = new ArrayList<>();
        given.values().forEach((attribute, value) -> {
            if (!attribute.equals(Attribute.PAN) && !attribute.equals(Attribute.TILT)) {
                entries.add(new Entry(
                        new ScopeKey.Unit(unit),
                        attribute,
                        value,
                        given.companions().contains(attribute)));
            }
        });
        entries.add(entry(unit, Attribute.PAN, new AttributeValue.Physical(there.pan())));
        entries.add(entry(unit, Attribute.TILT, new AttributeValue.Physical(there.tilt())));
        return entries;
    }

    private static Entry entry(UnitId unit, Attribute attribute, AttributeValue value) {
        return new Entry(new ScopeKey.Unit(unit), attribute, value, false);
    }
}
