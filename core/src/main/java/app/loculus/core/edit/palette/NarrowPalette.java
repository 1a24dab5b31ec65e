package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Gives every type, or every fixture, that follows a palette values of its own: those it is given now. */
public record NarrowPalette(PaletteId palette, Scope to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        if (to == Scope.GLOBAL) {
            throw Refusal.of(
                    "palette.scope", "scope", "Global is the broadest there is; tidy makes a palette broader.");
        }
        draft.reads(PartKinds.FIXTURES);
        Show show = draft.show();
        Palette before = show.palette(palette).orElseThrow();
        Map<String, Entry> all = new LinkedHashMap<>();
        before.entries().stream()
                .filter(e -> e.scope().scope().compareTo(to) >= 0)
                .forEach(e -> all.put(e.scope() + " " + e.attribute(), e));
        // What a type is given is not what one of its fixtures has of its own.
        Palette common = to == Scope.PER_FIXTURE
                ? before
                : before.holding(before.entries().stream()
                        .filter(e -> e.scope().ownUnit().isEmpty())
                        .toList());
        Giver giver = new Giver(show.patch(), show.shelf(), show.answers());
        for (Fixture fixture : show.patch().fixtures()) {
            for (int cell = 0; cell <= show.patch().modeOf(fixture).cells(); cell++) {
                UnitId unit = new UnitId(fixture.id(), cell);
                Given given = giver.give(common, unit);
                ScopeKey scope =
                        to == Scope.PER_FIXTURE ? new ScopeKey.Unit(unit) : new ScopeKey.Type(fixture.profile());
                given.values()
                        .forEach((a, v) -> all.putIfAbsent(
                                scope + " " + a,
                                new Entry(scope, a, v, given.companions().contains(a))));
            }
        }
        Palette after = new GivenBefore(show, before).keptBy(before.holding(List.copyOf(all.values())));
        draft.put(after);
        draft.say(before + " is " + to.words() + ": "
                + PaletteDifference.of(show, Optional.of(before), after).words());
    }
}
