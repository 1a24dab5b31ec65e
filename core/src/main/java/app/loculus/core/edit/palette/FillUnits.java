package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Gives units what a palette gives them now as plain values of their own: what comes out stays when the palette changes. */
public record FillUnits(PaletteId palette, Choice units) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        draft.reads(PartKinds.PALETTES);
        draft.reads(PartKinds.MARKS);
        Set<UnitId> filled = new LinkedHashSet<>();
        List<Entry> own = new ArrayList<>();
        draft.chosen(units).units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .distinct()
                .forEach(unit -> {
                    draft.reads(unit.fixture());
                    Given given = show.resolver().giver().give(before, unit);
                    given.values()
                            .forEach((attribute, value) -> own.add(new Entry(
                                    new ScopeKey.Unit(unit),
                                    attribute,
                                    value,
                                    given.companions().contains(attribute))));
                    if (given.follow()) {
                        filled.add(unit);
                    }
                });
        if (own.isEmpty()) {
            throw Refusal.of("palette.nobody", "palette", "None of these follows " + before + ".");
        }
        List<Entry> all = Stream.concat(
                        before.entries().stream()
                                .filter(e -> e.scope()
                                        .ownUnit()
                                        .filter(filled::contains)
                                        .isEmpty()),
                        own.stream())
                .toList();
        Palette after = before.holding(all);
        draft.put(after);
        draft.say(before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }
}
