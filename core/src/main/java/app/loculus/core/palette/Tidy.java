package app.loculus.core.palette;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Per-fixture entries that all agree become a per-type entry, per-type entries that all agree become global. A step is
 * taken only where everybody in the patch who followed is given the same as before.
 */
public final class Tidy {

    private final Patch patch;
    private final Giver giver;

    private Tidy(Patch patch, Giver giver) {
        this.patch = patch;
        this.giver = giver;
    }

    public static Palette of(Patch patch, Giver giver, Palette palette) {
        Tidy tidy = new Tidy(patch, giver);
        Palette types = tidy.broadened(palette, tidy::typesOfUnits);
        return tidy.broadened(types, tidy::global);
    }

    /** One step: for each broader scope the narrower ones that could become it. */
    private Palette broadened(Palette palette, Function<Palette, Map<ScopeKey, List<ScopeKey>>> found) {
        Palette now = palette;
        for (Map.Entry<ScopeKey, List<ScopeKey>> step : found.apply(palette).entrySet()) {
            Palette next = joined(now, step.getKey(), step.getValue());
            now = next != now && harmless(now, next) ? next : now;
        }
        return now;
    }

    private Map<ScopeKey, List<ScopeKey>> typesOfUnits(Palette palette) {
        Map<ScopeKey, List<ScopeKey>> byType = new LinkedHashMap<>();
        for (ScopeKey scope : palette.scopes()) {
            scope.ownUnit()
                    .flatMap(u -> patch.find(u.fixture()).map(Fixture::profile))
                    .ifPresent(type -> byType.computeIfAbsent(new ScopeKey.Type(type), t -> new ArrayList<>())
                            .add(scope));
        }
        return byType;
    }

    private Map<ScopeKey, List<ScopeKey>> global(Palette palette) {
        List<ScopeKey> types = palette.scopes().stream()
                .filter(s -> s.ownProfile().isPresent())
                .toList();
        return types.size() < 2 ? Map.of() : Map.of(new ScopeKey.Global(), types);
    }

    /** The palette with one scope in place of others, or itself where they do not agree. */
    private static Palette joined(Palette palette, ScopeKey broad, List<ScopeKey> narrow) {
        Set<Map<Attribute, Object>> held = narrow.stream()
                .map(s -> palette.entries(s).entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e ->
                        (Object) List.of(e.getValue().value(), e.getValue().companion()))))
                .collect(Collectors.toSet());
        if (held.size() != 1 || !palette.entries(broad).isEmpty()) {
            return palette;
        }
        List<Entry> all = new ArrayList<>(palette.entries().stream()
                .filter(e -> !narrow.contains(e.scope()))
                .toList());
        palette.entries(narrow.get(0))
                .values()
                .forEach(e -> all.add(new Entry(broad, e.attribute(), e.value(), e.companion())));
        return palette.holding(all);
    }

    /** Whether all who follow are given the same; who did not follow may follow now, if nobody else changes. */
    private boolean harmless(Palette before, Palette after) {
        Map<List<Object>, List<UnitId>> kins = new LinkedHashMap<>();
        for (Fixture f : patch.fixtures()) {
            IntStream.rangeClosed(0, patch.modeOf(f).cells())
                    .mapToObj(cell -> new UnitId(f.id(), cell))
                    .forEach(u -> kins.computeIfAbsent(
                                    kin(before, f.profile(), f.mode(), u, f.id()), k -> new ArrayList<>())
                            .add(u));
        }
        return kins.values().stream().map(units -> units.get(0)).allMatch(u -> {
            Given was = giver.give(before, u);
            return !was.follow() || was.values().equals(giver.give(after, u).values());
        });
    }

    private static List<Object> kin(Palette palette, ProfileId type, String mode, UnitId unit, FixtureId id) {
        boolean own = !palette.entries(new ScopeKey.Unit(unit)).isEmpty();
        return own ? List.of(id, unit.cell()) : List.of(type, mode, unit.cell());
    }
}
