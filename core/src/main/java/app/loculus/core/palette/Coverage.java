package app.loculus.core.palette;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Palettes by types: how the fixtures of each type in one mode follow each palette. Worked out anew only for palettes
 * that have changed; a palette that follows others or stands at a mark, when one of those has or anything was patched. Safe to share between threads.
 */
public final class Coverage {

    /** Fixtures of one profile in one mode. @param units cells that values live on, else whole fixtures */
    public record Type(
            ProfileId profile, String mode, int fixtures, List<UnitId> units, Map<Integer, List<UnitId>> byCell) {

        static Type of(Fixture first, int fixtures, List<UnitId> units) {
            return new Type(
                    first.profile(),
                    first.mode(),
                    fixtures,
                    units,
                    units.stream().collect(Collectors.groupingBy(UnitId::cell)));
        }
    }

    /**
     * How a type follows a palette.
     *
     * @param applies whether it has anything of the palette's kind
     * @param forSome whether the palette was recorded per fixture
     * @param units how many of its units follow in which way
     * @param worst the largest difference from what the palette stands for
     * @param words how most follow, or why not
     */
    public record Crossing(
            boolean applies,
            boolean forSome,
            Map<Follows, Integer> units,
            Optional<ColourDifference> worst,
            String words) {

        /**
         * Whether somebody could follow and does not, or gives no light. What was recorded per fixture is for those it
         * was recorded from, and misses nobody.
         */
        public boolean gap() {
            return applies
                    && (units.getOrDefault(Follows.NONE, 0) > 0 && !forSome
                            || worst.filter(ColourDifference::dark).isPresent());
        }

        /**
         * Whether it is far enough off for an eye to look at it. What was recorded for a type is meant as it is, unless it
         * is plainly another colour, as it can be in another mode than it was recorded in; what was set for just this mode
         * is meant whatever it is.
         */
        public boolean needsAnEye() {
            boolean computed = units.containsKey(Follows.COMPUTED) || units.containsKey(Follows.GLOBAL);
            boolean meant = Set.of(Follows.MODE).containsAll(units.keySet());
            return applies
                    && !meant
                    && (units.containsKey(Follows.LIKE)
                            || worst.filter(w -> computed
                                            ? w.grade() == ColourDifference.Grade.NEEDS_AN_EYE
                                            : w.deltaUv() > ANOTHER_COLOUR)
                                    .isPresent());
        }
    }

    /** In u′v′; what is matched by eye stays much nearer to what it is matched to. */
    private static final double ANOTHER_COLOUR = 0.05;

    private final Patch patch;
    private final List<Type> types;
    private final Map<Palette, List<Crossing>> crossings;
    private final Shelf shelf;

    private Coverage(Patch patch, List<Type> types, Map<Palette, List<Crossing>> crossings, Shelf shelf) {
        this.patch = patch;
        this.types = types;
        this.crossings = crossings;
        this.shelf = shelf;
    }

    /** @param before what was worked out last, of any show; what still holds is taken over */
    public static Coverage of(Patch patch, Shelf shelf, Giver giver, Optional<Coverage> before) {
        Optional<Coverage> usable = before.filter(b -> b.patch == patch || alike(b.patch, patch));
        List<Type> types = usable.map(b -> b.types).orElseGet(() -> types(patch));
        Map<Palette, List<Crossing>> crossings = new IdentityHashMap<>();
        boolean samePatch = usable.filter(b -> b.patch == patch).isPresent();
        for (Palette palette : shelf.palettes().values()) {
            List<Crossing> known = usable.map(b -> b.crossings.get(palette)).orElse(null);
            boolean holds = known != null
                    && (!palette.perUnit() || samePatch && usable.get().shelf.givesAlike(palette, shelf));
            crossings.put(palette, holds ? known : crossings(patch, types, palette, giver));
        }
        return new Coverage(patch, types, crossings, shelf);
    }

    /** Whether the same fixtures, in the same order, are of the same types; where they hang does not matter. */
    private static boolean alike(Patch one, Patch other) {
        if (one.profiles() != other.profiles()
                || one.fixtures().size() != other.fixtures().size()) {
            return false;
        }
        Iterator<Fixture> before = one.fixtures().iterator();
        for (Fixture is : other.fixtures()) {
            Fixture was = before.next();
            if (!was.id().equals(is.id())
                    || !was.profile().equals(is.profile())
                    || !was.mode().equals(is.mode())) {
                return false;
            }
        }
        return true;
    }

    private static List<Type> types(Patch patch) {
        Map<List<Object>, List<Fixture>> found = new LinkedHashMap<>();
        patch.fixtures()
                .forEach(f -> found.computeIfAbsent(List.of(f.profile(), f.mode()), k -> new ArrayList<>())
                        .add(f));
        return found.values().stream()
                .map(all -> Type.of(
                        all.get(0),
                        all.size(),
                        all.stream().flatMap(f -> units(patch, f).stream()).toList()))
                .toList();
    }

    private static List<UnitId> units(Patch patch, Fixture fixture) {
        Mode mode = patch.modeOf(fixture);
        List<UnitId> units = new ArrayList<>();
        for (int cell = 0; cell <= mode.cells(); cell++) {
            if (!mode.parameters(cell).isEmpty()) {
                units.add(new UnitId(fixture.id(), cell));
            }
        }
        return units;
    }

    private static List<Crossing> crossings(Patch patch, List<Type> types, Palette palette, Giver giver) {
        return types.stream().map(t -> crossing(patch, t, palette, giver)).toList();
    }

    private static Crossing crossing(Patch patch, Type type, Palette palette, Giver giver) {
        Profile profile = patch.profiles().get(type.profile());
        Mode mode = profile.mode(type.mode());
        boolean alike = !palette.perUnit() && !palette.hasUnitEntries();
        Map<Follows, Integer> counts = new EnumMap<>(Follows.class);
        Optional<ColourDifference> worst = Optional.empty();
        String words = "";
        boolean applies = false;
        for (Map.Entry<Integer, List<UnitId>> cell : type.byCell().entrySet()) {
            if (!has(profile, mode, cell.getKey(), palette)) {
                continue;
            }
            applies = true;
            List<UnitId> units = cell.getValue();
            for (UnitId unit : alike ? units.subList(0, 1) : units) {
                Given given = giver.give(palette, unit);
                counts.merge(given.follows(), alike ? units.size() : 1, Integer::sum);
                words = words.isEmpty() || !given.follow() ? given.words() : words;
                worst = worse(worst, given.difference());
            }
        }
        boolean forSome = palette.narrowest() == Scope.PER_FIXTURE && !palette.refers();
        return new Crossing(applies, forSome, counts, worst, words);
    }

    private static Optional<ColourDifference> worse(Optional<ColourDifference> one, Optional<ColourDifference> other) {
        return one.isEmpty()
                        || other.isPresent()
                                && other.get().deltaUv() > one.get().deltaUv()
                ? other
                : one;
    }

    /**
     * Whether a cell has anything of a palette's kind, or of what the palette holds; of a palette that the patch suggested
     * whether it can do what that holds.
     */
    private static boolean has(Profile profile, Mode mode, int cell, Palette palette) {
        if (palette.label().starter() && palette.intent().isEmpty() && !able(mode, cell, palette)) {
            return false;
        }
        if (palette.kind() == Kind.COLOUR) {
            return !mode.colours(cell).none();
        }
        boolean any = mode.parameters(cell).keySet().stream()
                .anyMatch(a -> palette.kind() == Kind.COMBINED || profile.kindOf(a) == palette.kind());
        boolean holds = palette.scopes().stream()
                .anyMatch(s -> palette.entries(s).keySet().stream().anyMatch(mode.parameters(cell)::containsKey));
        return any && (palette.kind() == Kind.INTENSITY || palette.kind() == Kind.POSITION || holds);
    }

    /** Whether a value of it fits: a place by its name, where there is one of that name. */
    private static boolean able(Mode mode, int cell, Palette palette) {
        return palette.entries().stream()
                .filter(e -> !e.companion())
                .anyMatch(e -> mode.parameter(cell, e.attribute())
                        .filter(p -> e.value().fits(mode, p))
                        .isPresent());
    }

    public List<Type> types() {
        return types;
    }

    /** In the order of the types. */
    public List<Crossing> of(Palette palette) {
        return crossings.get(palette);
    }

    /** One unit of a type, and how it follows. */
    public record One(UnitId unit, Given given) {

        /** Whether it gets nothing, or no light. What was recorded per fixture may well not be for it. */
        public boolean gap() {
            return !given.follow()
                    || given.difference().filter(ColourDifference::dark).isPresent();
        }
    }

    /** How each unit of a type follows a palette, those that do not first. */
    public List<One> each(Palette palette, Type type, Giver giver) {
        Profile profile = patch.profiles().get(type.profile());
        Mode mode = profile.mode(type.mode());
        return type.units().stream()
                .filter(u -> has(profile, mode, u.cell(), palette))
                .map(u -> new One(u, giver.give(palette, u)))
                .sorted(Comparator.comparing(o -> !o.gap()))
                .toList();
    }

    /** Types that miss something of a palette, in the order of the types. */
    public List<Type> missing(Palette palette) {
        List<Crossing> all = crossings.get(palette);
        List<Type> missing = new ArrayList<>();
        for (int i = 0; i < types.size(); i++) {
            if (all.get(i).gap()) {
                missing.add(types.get(i));
            }
        }
        return missing;
    }

    /** Palettes that miss a type. */
    public long lacking() {
        return crossings.values().stream()
                .filter(all -> all.stream().anyMatch(Crossing::gap))
                .count();
    }

    /** Crossings at which somebody could follow and does not. */
    public long gaps() {
        return crossings.values().stream()
                .flatMap(List::stream)
                .filter(Crossing::gap)
                .count();
    }
}
