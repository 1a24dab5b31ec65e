package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupId;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/** A whole show. Immutable; safe to share between threads. */
public final class Show {

    private final String name;
    private final Patch patch;
    private final Map<GroupId, Group> groups;
    private final Map<PaletteId, Palette> palettes;
    private final Map<Integer, UniverseSetup> universes;
    private final Programmer programmer;
    private final ColourAnswers answers;
    private volatile Resolver resolver;

    private Show(
            String name,
            Patch patch,
            Map<GroupId, Group> groups,
            Map<PaletteId, Palette> palettes,
            Map<Integer, UniverseSetup> universes,
            Programmer programmer,
            ColourAnswers answers) {
        this.name = name;
        this.patch = patch;
        this.groups = groups;
        this.palettes = palettes;
        this.universes = universes;
        this.programmer = programmer;
        this.answers = answers;
    }

    public static Show empty(String name) {
        return new Show(
                name,
                new Patch(Profiles.NONE, List.of()),
                Map.of(),
                Map.of(),
                Map.of(),
                Programmer.EMPTY,
                new ColourAnswers());
    }

    /** A show from its parts, as they were stored. */
    public static Show of(
            String name,
            Profiles profiles,
            Collection<Fixture> fixtures,
            Collection<Group> groups,
            Collection<Palette> palettes,
            Collection<UniverseSetup> universes,
            Programmer programmer) {
        Map<GroupId, Group> byGroup = new LinkedHashMap<>();
        groups.forEach(g -> byGroup.put(g.id(), g));
        Map<PaletteId, Palette> byPalette = new LinkedHashMap<>();
        palettes.forEach(p -> byPalette.put(p.id(), p));
        Map<Integer, UniverseSetup> byUniverse = new TreeMap<>();
        universes.forEach(u -> byUniverse.put(u.universe(), u));
        return new Show(
                name, new Patch(profiles, fixtures), byGroup, byPalette, byUniverse, programmer, new ColourAnswers());
    }

    /** The show after changes. */
    public Show with(Delta delta) {
        Parts parts = new Parts(this);
        delta.changes().forEach(c -> c.applyTo(parts));
        return parts.build();
    }

    public String name() {
        return name;
    }

    /** A copy under another name. */
    public Show named(String newName) {
        return with(new Delta(List.of(new Change.Name(name, newName))));
    }

    /** A copy of which nothing goes outside until it is switched on. */
    public Show keptInside() {
        return with(new Delta(universes().stream()
                .map(u -> (Change) new Change.OfUniverse(u.universe(), Optional.of(u), Optional.of(u.keptInside())))
                .toList()));
    }

    public Profiles profiles() {
        return patch.profiles();
    }

    public Patch patch() {
        return patch;
    }

    public Programmer programmer() {
        return programmer;
    }

    public Hand hand() {
        return programmer.hand();
    }

    /** In the order of their numbers. */
    public List<Group> groups() {
        return groups.values().stream()
                .sorted(Comparator.comparingInt(Group::number))
                .toList();
    }

    public Optional<Group> group(GroupId id) {
        return Optional.ofNullable(groups.get(id));
    }

    /** By kind, then by number. */
    public List<Palette> palettes() {
        return palettes.values().stream()
                .sorted(Comparator.comparing(Palette::kind).thenComparingInt(Palette::number))
                .toList();
    }

    public Optional<Palette> palette(PaletteId id) {
        return Optional.ofNullable(palettes.get(id));
    }

    public Optional<Palette> palette(Kind kind, int number) {
        return palettes.values().stream()
                .filter(p -> p.kind() == kind && p.number() == number)
                .findFirst();
    }

    /** Universes somebody has said something about, in order. */
    public List<UniverseSetup> universes() {
        return universes.values().stream()
                .sorted(Comparator.comparingInt(UniverseSetup::universe))
                .toList();
    }

    public UniverseSetup universe(int universe) {
        return universes.getOrDefault(universe, UniverseSetup.usual(universe));
    }

    /** Universes that are patched or set up. */
    public SortedSet<Integer> usedUniverses() {
        SortedSet<Integer> used = new TreeSet<>(patch.claims().keySet());
        used.addAll(universes.keySet());
        return used;
    }

    public ColourAnswers answers() {
        return answers;
    }

    public Scene scene() {
        return new Scene(patch, palettes, programmer, answers);
    }

    public Resolver resolver() {
        if (resolver == null) {
            resolver = new Resolver(scene());
        }
        return resolver;
    }

    /** How people call a unit: {@code 12} or {@code 12.3}. */
    public String label(UnitId unit) {
        int number = patch.get(unit.fixture()).number();
        return unit.cell() == 0 ? String.valueOf(number) : number + "." + unit.cell();
    }

    GroupId nextGroupId() {
        return new GroupId(
                groups.keySet().stream().mapToInt(GroupId::value).max().orElse(0) + 1);
    }

    PaletteId nextPaletteId() {
        return new PaletteId(
                palettes.keySet().stream().mapToInt(PaletteId::value).max().orElse(0) + 1);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Show s
                && s.name.equals(name)
                && s.patch.equals(patch)
                && s.groups.equals(groups)
                && s.palettes.equals(palettes)
                && s.universes.equals(universes)
                && s.programmer.equals(programmer);
    }

    @Override
    public int hashCode() {
        return Objects.hash(name, groups.keySet(), palettes.keySet());
    }

    /** Collects changes so that each part is copied once. */
    static final class Parts {
        private final Show from;
        private String name;
        private Profiles profiles;
        private final List<FixtureId> gone = new ArrayList<>();
        private final List<Fixture> put = new ArrayList<>();
        private Map<GroupId, Group> groups;
        private Map<PaletteId, Palette> palettes;
        private Map<Integer, UniverseSetup> universes;
        private Hand hand;
        private final Map<UnitId, UnitValues> values = new LinkedHashMap<>();

        Parts(Show from) {
            this.from = from;
            this.name = from.name;
            this.profiles = from.profiles();
            this.groups = from.groups;
            this.palettes = from.palettes;
            this.universes = from.universes;
            this.hand = from.hand();
        }

        void rename(String newName) {
            name = newName;
        }

        void fixture(FixtureId id, Optional<Fixture> fixture) {
            fixture.ifPresentOrElse(put::add, () -> gone.add(id));
        }

        void profile(ProfileId id, Optional<Profile> profile) {
            profiles = profile.map(profiles::with).orElseGet(() -> profiles.without(id));
        }

        void group(GroupId id, Optional<Group> group) {
            groups = changed(groups, id, group);
        }

        void palette(PaletteId id, Optional<Palette> palette) {
            palettes = changed(palettes, id, palette);
        }

        void universe(int universe, Optional<UniverseSetup> setup) {
            universes = changed(universes, universe, setup);
        }

        void hand(Hand newHand) {
            hand = newHand;
        }

        void values(UnitId unit, UnitValues unitValues) {
            values.put(unit, unitValues);
        }

        private static <K, V> Map<K, V> changed(Map<K, V> all, K key, Optional<V> value) {
            Map<K, V> next = new LinkedHashMap<>(all);
            value.ifPresentOrElse(v -> next.put(key, v), () -> next.remove(key));
            return Collections.unmodifiableMap(next);
        }

        Show build() {
            boolean samePatch = gone.isEmpty() && put.isEmpty() && profiles == from.profiles();
            Patch patch = samePatch ? from.patch : from.patch.changed(profiles, gone, put);
            Programmer programmer = values.isEmpty() ? from.programmer : from.programmer.with(values);
            Programmer held = hand == from.hand() ? programmer : programmer.holding(hand);
            return new Show(name, patch, groups, palettes, universes, held, from.answers);
        }
    }
}
