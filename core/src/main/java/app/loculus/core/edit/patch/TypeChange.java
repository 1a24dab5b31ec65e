package app.loculus.core.edit.patch;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What follows when fixtures become another type, by whichever edit: values the new mode has a place for stay, cells it
 * does not have leave groups and hand, per-type values of palettes are carried to the new type where it has none, and a
 * profile nobody uses any more goes.
 */
public final class TypeChange implements Refit {

    private final Show show;
    private final Map<FixtureId, Profiles.Type> to;
    private final Set<ProfileId> retired;

    private TypeChange(Show show, Map<FixtureId, Profiles.Type> to) {
        this.show = show;
        this.to = to;
        this.retired = retired(show, to);
    }

    /**
     * Makes everything else fit.
     *
     * @param draft the show before the fixtures themselves are changed; whoever calls puts them in
     * @param to the new type of each fixture that gets another one
     */
    public static void follow(Draft draft, Map<FixtureId, Profiles.Type> to) {
        Map<FixtureId, Profiles.Type> others = new LinkedHashMap<>();
        to.forEach((id, type) -> {
            Fixture f = draft.show().patch().get(id);
            if (!f.profile().equals(type.profile().id())
                    || !f.mode().equals(type.mode().name())) {
                others.put(id, type);
            }
        });
        if (!others.isEmpty()) {
            new TypeChange(draft.show(), others).on(draft);
        }
    }

    private static Set<ProfileId> retired(Show show, Map<FixtureId, Profiles.Type> to) {
        Set<ProfileId> old = to.keySet().stream()
                .map(id -> show.patch().get(id).profile())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        to.values().forEach(t -> old.remove(t.profile().id()));
        show.patch().fixtures().stream().filter(f -> !to.containsKey(f.id())).forEach(f -> old.remove(f.profile()));
        return old;
    }

    private void on(Draft draft) {
        List<Change<?, ?>> changes = References.refitted(show, this);
        changes.forEach(draft::change);
        Map<UnitId, UnitValues> moved = moved(draft.show());
        draft.putAll(PartKinds.VALUES, moved);
        tellValues(draft, changes, moved);
        tellGroups(draft, changes);
        tellPalettes(draft);
        retired.forEach(p -> draft.remove(PartKinds.PROFILES, p));
    }

    @Override
    public boolean keeps(UnitId unit) {
        Profiles.Type type = to.get(unit.fixture());
        return type == null || unit.cell() <= type.mode().cells();
    }

    @Override
    public Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
        Profiles.Type type = to.get(unit.fixture());
        return type == null || fits(type.mode(), unit.cell(), attribute, value.value())
                ? Optional.of(value)
                : Optional.empty();
    }

    /**
     * Where an attribute of a unit is in the new mode: on the same cell; for what was on the whole fixture, on the cells
     * that have it now; for what was on cells and now is on the whole fixture, there, and the first cell counts.
     */
    private List<UnitId> places(UnitId unit, Attribute attribute) {
        Mode mode = to.get(unit.fixture()).mode();
        if (mode.parameter(unit.cell(), attribute).isPresent()) {
            return List.of(unit);
        }
        if (unit.cell() == 0) {
            return mode.homesOf(0, attribute).stream()
                    .map(cell -> new UnitId(unit.fixture(), cell))
                    .toList();
        }
        Mode was = show.patch().modeOf(show.patch().get(unit.fixture()));
        boolean first = was.homesOf(0, attribute).stream().findFirst().equals(Optional.of(unit.cell()));
        return first && mode.parameter(0, attribute).isPresent() ? List.of(UnitId.whole(unit.fixture())) : List.of();
    }

    /** Values of what has gone from a unit to others, on top of what those have after the change. */
    private Map<UnitId, UnitValues> moved(Show after) {
        Map<UnitId, Map<Attribute, Touched>> found = new LinkedHashMap<>();
        Map<UnitId, Optional<Chromaticity>> asked = new LinkedHashMap<>();
        show.programmer().values().forEach((unit, values) -> {
            if (to.containsKey(unit.fixture())) {
                values.byAttribute()
                        .forEach((attribute, value) -> places(unit, attribute).stream()
                                .filter(place -> !place.equals(unit) && fits(place, attribute, value.value()))
                                .forEach(place -> {
                                    found.computeIfAbsent(
                                                    place,
                                                    p -> new LinkedHashMap<>(after.programmer()
                                                            .of(p)
                                                            .byAttribute()))
                                            .putIfAbsent(attribute, value);
                                    asked.putIfAbsent(place, values.asked());
                                }));
            }
        });
        Map<UnitId, UnitValues> moved = new LinkedHashMap<>();
        found.forEach((unit, values) -> moved.put(unit, new UnitValues(values, asked.get(unit))));
        return moved;
    }

    private boolean fits(UnitId place, Attribute attribute, AttributeValue value) {
        return fits(to.get(place.fixture()).mode(), place.cell(), attribute, value);
    }

    /** A unit's own entry, on whichever units have the attribute now; empty when it is of no unit that changes. */
    private Optional<List<Entry>> moved(Entry entry) {
        return entry.scope()
                .ownUnit()
                .filter(u -> to.containsKey(u.fixture()))
                .map(u -> places(u, entry.attribute()))
                .filter(places -> !places.isEmpty())
                .map(places -> places.stream()
                        .map(p -> new Entry(new ScopeKey.Unit(p), entry.attribute(), entry.value(), entry.companion()))
                        .toList());
    }

    @Override
    public List<Entry> entry(Palette palette, Entry entry) {
        Optional<List<Entry>> moved = moved(entry);
        if (moved.isPresent()) {
            return moved.get();
        }
        if (!entry.scope().ownUnit().map(this::keeps).orElse(true)) {
            return List.of();
        }
        List<Entry> carried = targets(entry.scope())
                .filter(type -> usable(type, entry))
                .map(type ->
                        entry.scope().carriedTo(type.profile().id(), type.mode().name()))
                .filter(scope ->
                        !scope.equals(entry.scope()) && !palette.entries(scope).containsKey(entry.attribute()))
                .distinct()
                .map(scope -> new Entry(scope, entry.attribute(), entry.value(), entry.companion()))
                .toList();
        boolean stays = entry.scope().ownProfile().filter(retired::contains).isEmpty();
        return Stream.concat(stays ? Stream.of(entry) : Stream.empty(), carried.stream())
                .toList();
    }

    /** The new types of those fixtures that a scope was for. */
    private Stream<Profiles.Type> targets(ScopeKey scope) {
        return to.entrySet().stream()
                .filter(e -> isFor(scope, e.getKey()))
                .map(Map.Entry::getValue)
                .distinct();
    }

    private boolean isFor(ScopeKey scope, FixtureId id) {
        Fixture was = show.patch().get(id);
        return scope.ownUnit().map(u -> u.fixture().equals(id)).orElseGet(() -> scope.isOf(was.profile(), was.mode()));
    }

    private static boolean usable(Profiles.Type type, Entry e) {
        for (int cell = 0; cell <= type.mode().cells(); cell++) {
            if (fits(type.mode(), cell, e.attribute(), e.value())) {
                return true;
            }
        }
        return false;
    }

    private static boolean fits(Mode mode, int cell, Attribute attribute, AttributeValue value) {
        return mode.parameter(cell, attribute).map(p -> value.fits(mode, p)).orElse(false);
    }

    private void tellValues(Draft draft, List<Change<?, ?>> changes, Map<UnitId, UnitValues> moved) {
        int stay = show.programmer().values().entrySet().stream()
                        .filter(e -> to.containsKey(e.getKey().fixture()))
                        .mapToInt(e -> draft.show()
                                .programmer()
                                .of(e.getKey())
                                .byAttribute()
                                .size())
                        .sum()
                + moved.values().stream().mapToInt(v -> v.byAttribute().size()).sum();
        if (stay > 0) {
            draft.say(Numbers.count(stay, "working value") + (stay == 1 ? " carries" : " carry") + " over");
        }
        Set<Attribute> elsewhere = moved.values().stream()
                .flatMap(v -> v.byAttribute().keySet().stream())
                .collect(Collectors.toSet());
        Set<String> lost = new LinkedHashSet<>();
        changes.forEach(c -> c.of(PartKinds.VALUES).ifPresent(v -> {
            Set<Attribute> kept =
                    v.after().orElse(UnitValues.NONE).byAttribute().keySet();
            v.before().orElseThrow().byAttribute().keySet().stream()
                    .filter(a -> !kept.contains(a) && !elsewhere.contains(a))
                    .forEach(a -> lost.add(a.name()));
        }));
        if (!lost.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.values",
                    "selection",
                    "Working values that the new mode has no place for are dropped: " + String.join(", ", lost) + "."));
        }
    }

    private void tellGroups(Draft draft, List<Change<?, ?>> changes) {
        List<String> staying = draft.show().groups().stream()
                .filter(g -> !g.content().recipe())
                .filter(g -> draft.show().units(g).units().stream().anyMatch(u -> to.containsKey(u.fixture())))
                .map(g -> g.number() + " “" + g.name() + "”")
                .toList();
        if (!staying.isEmpty()) {
            draft.say((staying.size() == 1 ? "Group " : "Groups ")
                    + String.join(", ", staying)
                    + (staying.size() == 1 ? " keeps them" : " keep them"));
        }
        List<String> left = changes.stream()
                .flatMap(c -> c.of(PartKinds.GROUPS).stream())
                .map(c -> words(c.after().orElseThrow()))
                .toList();
        if (!left.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.cells", "selection", "Cells that no longer exist leave " + String.join(", ", left) + "."));
        }
    }

    private static String words(Group group) {
        return "group " + group.number() + " “" + group.name() + "”";
    }

    private void tellPalettes(Draft draft) {
        List<String> whole = new ArrayList<>();
        List<String> lacking = new ArrayList<>();
        for (Palette palette : show.palettes()) {
            List<Entry> concerned = palette.entries().stream()
                    .filter(e -> targets(e.scope()).findAny().isPresent()
                            && e.scope().ownUnit().map(this::keeps).orElse(true))
                    .toList();
            String lost = concerned.stream()
                    .filter(e -> targets(e.scope()).noneMatch(type -> usable(type, e)))
                    .map(e -> e.attribute().name())
                    .distinct()
                    .collect(Collectors.joining(", "));
            if (!concerned.isEmpty()) {
                (lost.isEmpty() ? whole : lacking).add(palette + (lost.isEmpty() ? "" : " (" + lost + ")"));
            }
        }
        if (!whole.isEmpty()) {
            draft.say(Numbers.count(whole.size(), "palette") + (whole.size() == 1 ? " carries" : " carry") + " over: "
                    + String.join(", ", whole));
        }
        if (!lacking.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.palettes",
                    "selection",
                    "Not usable in the new mode, though kept: " + String.join(", ", lacking) + "."));
        }
    }
}
