package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Show;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What stays of entries that followed a palette which goes: for one unit or one type what it gave them, for all its own. */
final class PlainEntries {

    private PlainEntries() {}

    /** @param entries of the palette that followed it, as they are otherwise */
    static List<Entry> without(Show show, PaletteId gone, Palette of, List<Entry> entries) {
        Map<String, Entry> all = new LinkedHashMap<>();
        List<ScopeKey> following = new ArrayList<>();
        for (Entry e : entries) {
            if (e.value().followed().equals(Optional.of(gone))) {
                following.add(e.scope());
            } else {
                all.put(e.scope() + " " + e.attribute(), e);
            }
        }
        Palette palette = show.palette(gone).orElseThrow();
        following.stream()
                .distinct()
                .flatMap(scope -> plain(show, palette, scope).stream())
                .forEach(e -> all.putIfAbsent(e.scope() + " " + e.attribute(), e));
        return new GivenBefore(show, of).keptBy(of.holding(all.values())).entries();
    }

    private static List<Entry> plain(Show show, Palette gone, ScopeKey scope) {
        if (scope.ownUnit().isPresent()) {
            return given(show, gone, scope, scope.ownUnit().get());
        }
        return scope.ownProfile().isEmpty()
                ? gone.entries()
                : show.patch().fixtures().stream()
                        .filter(f -> scope.isOf(f.profile(), f.mode()))
                        .findFirst()
                        .map(f -> ofType(show, gone, scope, f))
                        .orElse(List.of());
    }

    /** What the type is given, whatever some of its fixtures have of their own. */
    private static List<Entry> ofType(Show show, Palette gone, ScopeKey scope, Fixture fixture) {
        Palette common = gone.holding(gone.entries().stream()
                .filter(e -> e.scope().ownUnit().isEmpty())
                .toList());
        List<Entry> all = new ArrayList<>();
        for (int cell = 0; cell <= show.patch().modeOf(fixture).cells(); cell++) {
            for (Entry e : given(show, common, scope, new UnitId(fixture.id(), cell))) {
                if (all.stream().noneMatch(a -> a.attribute().equals(e.attribute()))) {
                    all.add(e);
                }
            }
        }
        return all;
    }

    private static List<Entry> given(Show show, Palette gone, ScopeKey scope, UnitId unit) {
        Given given = new Giver(show.patch(), show.shelf(), show.answers()).give(gone, unit);
        List<Entry> entries = new ArrayList<>();
        given.values()
                .forEach((Attribute a, app.loculus.core.value.AttributeValue v) ->
                        entries.add(new Entry(scope, a, v, given.companions().contains(a))));
        return entries;
    }
}
