package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes out of a palette what units follow: their own entries, or else those of their mode, or else of their type. */
public record TakeOut(PaletteId palette, Choice units) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        Set<ScopeKey> gone = new LinkedHashSet<>();
        draft.chosen(units).units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .forEach(u -> narrowest(show, before, u).ifPresent(gone::add));
        if (gone.isEmpty()) {
            throw Refusal.of(
                    "palette.nobody",
                    "selection",
                    before + " holds nothing of their own or of their type for these.",
                    WayOut.advice("What they follow is global or computed; record over it to change that."));
        }
        List<Entry> left =
                before.entries().stream().filter(e -> !gone.contains(e.scope())).toList();
        Palette after = before.holding(left);
        draft.put(after);
        draft.say("Takes out of " + before + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }

    private static Optional<ScopeKey> narrowest(Show show, Palette palette, UnitId unit) {
        Fixture fixture = show.patch().get(unit.fixture());
        List<ScopeKey> keys = List.of(
                new ScopeKey.Unit(unit),
                new ScopeKey.TypeMode(fixture.profile(), fixture.mode()),
                new ScopeKey.Type(fixture.profile()));
        return keys.stream().filter(k -> !palette.entries(k).isEmpty()).findFirst();
    }
}
