package app.loculus.core.edit.palette;

import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
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

    static List<Entry> without(Show show, PaletteId gone, List<Entry> entries) {
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
        return List.copyOf(all.values());
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
                        .map(f -> given(show, gone, scope, UnitId.whole(f.id())))
                        .orElse(List.of());
    }

    private static List<Entry> given(Show show, Palette gone, ScopeKey scope, UnitId unit) {
        Given given = show.resolver().giver().give(gone, unit);
        List<Entry> entries = new ArrayList<>();
        given.values()
                .forEach((Attribute a, app.loculus.core.value.AttributeValue v) ->
                        entries.add(new Entry(scope, a, v, given.companions().contains(a))));
        return entries;
    }
}
