package app.loculus.core.carry;

import app.loculus.core.carry.Pair.By;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;

/**
 * Finds which fixture of another rig is to do what one of this show does: what was said by hand, the same number, the same
 * position and purpose, the same position, purpose or type, in this order, first of the same type, then of the same sort. Among equals they go from stage left to right,
 * else by number; where there are more on one side they are shared out evenly, so that no fixture that lights something
 * is left without one as long as there is any that gives light.
 */
public final class Pairer {

    /**
     * What somebody said of a few.
     *
     * @param was numbers in the show, in order
     * @param is numbers in the other rig, in order; none when nothing is to stand for them
     */
    public record Said(List<Integer> was, List<Integer> is) {
        public Said {
            was = List.copyOf(was);
            is = List.copyOf(is);
        }
    }

    /** Metres within which two hang in the same place. */
    private static final double NEAR = 0.5;

    /** As many parts a fixture of the same type takes before others of its sort are looked at. */
    private static final int MOST_EACH = 2;

    private final Patch from;
    private final Patch to;
    private final List<Pair> pairs = new ArrayList<>();
    private final Set<FixtureId> done = new LinkedHashSet<>();
    private final Set<FixtureId> taken = new LinkedHashSet<>();
    private final Traits.Of was;
    private final Traits.Of is;

    private Pairer(Patch from, Patch to) {
        this.from = from;
        this.to = to;
        this.was = new Traits.Of(from);
        this.is = new Traits.Of(to);
    }

    /** @throws Refusal when a number that was said is not there */
    public static Pairing of(Patch from, Patch to, List<Said> said) {
        Pairer pairer = new Pairer(from, to);
        said.forEach(pairer::said);
        pairer.byNumber();
        for (Sorting sorting : List.of(Sorting.TYPE, Sorting.SORT)) {
            pairer.alike(By.PLACE_AND_PURPOSE, f -> key(f.position(), f.purpose()), sorting);
            pairer.alike(By.PLACE, f -> key(f.position()), sorting);
            pairer.alike(By.PURPOSE, f -> key(f.purpose()), sorting);
            pairer.alike(sorting == Sorting.TYPE ? By.SAME_TYPE : By.TYPE, f -> Optional.of(""), sorting);
        }
        pairer.alike(By.PLACE_ALONE, f -> key(f.position()), Sorting.LIGHT);
        pairer.alike(By.PURPOSE_ALONE, f -> key(f.purpose()), Sorting.LIGHT);
        pairer.alike(By.LEFT, f -> Optional.of(""), Sorting.LIGHT);
        pairer.shared();
        return new Pairing(pairer.ordered());
    }

    private static Optional<String> key(String... parts) {
        boolean all = List.of(parts).stream().noneMatch(String::isBlank);
        return all ? Optional.of(String.join("\n", parts).toLowerCase(Locale.ROOT)) : Optional.empty();
    }

    private List<Pair> ordered() {
        Comparator<Pair> byNumbers = Comparator.comparingInt(
                        (Pair p) -> from.get(p.was()).number())
                .thenComparingInt(p -> to.get(p.is()).number());
        return pairs.stream().sorted(byNumbers).toList();
    }

    private void said(Said said) {
        List<Fixture> was =
                said.was().stream().map(n -> known(from, n, "the show")).toList();
        List<Fixture> is =
                said.is().stream().map(n -> known(to, n, "the other rig")).toList();
        share(was, is, By.HAND);
        was.forEach(f -> done.add(f.id()));
    }

    private static Fixture known(Patch patch, int number, String where) {
        return patch.numbered(number)
                .orElseThrow(() ->
                        Refusal.of("carry.number", "pairs", "There is no fixture " + number + " in " + where + "."));
    }

    /**
     * A number counts where nothing speaks against it: the two are of one sort and not both hung and meant otherwise; or
     * they are of two sorts that give light, and hang in the same place.
     */
    private void byNumber() {
        for (Fixture f : waiting(from, done)) {
            to.numbered(f.number())
                    .filter(o -> !taken.contains(o.id()))
                    .filter(o -> was.of(f).family() == is.of(o).family()
                            ? unopposed(f, o)
                            : was.of(f).light() && is.of(o).light() && together(f, o))
                    .ifPresent(o -> pair(f, o, By.NUMBER));
        }
    }

    private boolean unopposed(Fixture f, Fixture other) {
        return from.profileOf(f).fullName().equals(to.profileOf(other).fullName())
                || agree(f.position(), other.position())
                || agree(f.purpose(), other.purpose());
    }

    private static boolean together(Fixture f, Fixture other) {
        boolean named = !f.position().isBlank() && f.position().equalsIgnoreCase(other.position());
        return named
                || f.pose()
                        .flatMap(a ->
                                other.pose().map(b -> a.place().minus(b.place()).length() <= NEAR))
                        .orElse(false);
    }

    private static boolean agree(String one, String other) {
        return one.isBlank() || other.isBlank() || one.equalsIgnoreCase(other);
    }

    /** How alike two have to be. */
    private enum Sorting {
        TYPE,
        SORT,
        LIGHT
    }

    /** Shares out those with the same key that are still without one. */
    private void alike(By by, Function<Fixture, Optional<String>> key, Sorting sorting) {
        Map<List<Object>, List<Fixture>> here = buckets(from, was, done, key, sorting);
        Map<List<Object>, List<Fixture>> others = buckets(to, is, taken, key, sorting);
        here.forEach((k, fixtures) -> {
            List<Fixture> there = others.getOrDefault(k, List.of());
            // A few of the same type do not take the parts of very many while others like them hang idle.
            boolean few = sorting == Sorting.TYPE && there.size() * MOST_EACH < fixtures.size();
            share(few ? spread(fixtures, there.size()) : fixtures, there, by);
        });
    }

    private static List<Fixture> spread(List<Fixture> all, int count) {
        List<Fixture> ordered = inOrder(all);
        return IntStream.range(0, count)
                .mapToObj(i -> ordered.get(i * ordered.size() / count))
                .toList();
    }

    private Map<List<Object>, List<Fixture>> buckets(
            Patch patch,
            Traits.Of traits,
            Set<FixtureId> without,
            Function<Fixture, Optional<String>> key,
            Sorting sorting) {
        Map<List<Object>, List<Fixture>> found = new LinkedHashMap<>();
        for (Fixture f : waiting(patch, without)) {
            Traits of = traits.of(f);
            Object sort = sorting == Sorting.TYPE
                    ? of.type()
                    // Haze stands for haze alone, and nothing else for it.
                    : sorting == Sorting.SORT || !of.light() ? of.family() : "light";
            key.apply(f)
                    .ifPresent(k -> found.computeIfAbsent(List.of(k, sort), x -> new ArrayList<>())
                            .add(f));
        }
        return found;
    }

    /** Those that are left over go to ones that have a part already: of their type, of their sort, or the likest. */
    private void shared() {
        Map<String, List<Pair>> settled = settled();
        waiting(from, done)
                .forEach(f -> beside(f, settled.getOrDefault(was.of(f).type(), List.of()))
                        .ifPresent(other -> pair(f, other, By.SHARED)));
        // Those of one type at one position go to the same ones: these are looked for once.
        Map<List<Object>, List<Fixture>> alike = new LinkedHashMap<>();
        for (Fixture f : waiting(from, done)) {
            alike.computeIfAbsent(List.of(was.of(f), f.position().toLowerCase(Locale.ROOT)), x -> new ArrayList<>())
                    .add(f);
        }
        Map<List<Fixture>, List<Fixture>> onto = new LinkedHashMap<>();
        alike.values()
                .forEach(some -> onto.computeIfAbsent(likest(some.get(0)), x -> new ArrayList<>())
                        .addAll(some));
        onto.forEach((there, left) -> {
            List<Fixture> before = inOrder(left);
            List<Fixture> after = inOrder(there);
            for (int i = 0; i < before.size() && !after.isEmpty(); i++) {
                pair(before.get(i), after.get(i * after.size() / before.size()), By.SHARED);
            }
        });
    }

    /** Pairs of the same type that nobody said by hand, by the type. */
    private Map<String, List<Pair>> settled() {
        Map<String, List<Pair>> settled = new LinkedHashMap<>();
        for (Pair p : pairs) {
            String type = was.of(from.get(p.was())).type();
            if (p.by() != By.HAND && is.of(to.get(p.is())).type().equals(type)) {
                settled.computeIfAbsent(type, x -> new ArrayList<>()).add(p);
            }
        }
        return settled;
    }

    /** What stands for the next of its type by number, if anything does that is of the type as well. */
    private Optional<Fixture> beside(Fixture f, List<Pair> settled) {
        return settled.stream()
                .min(Comparator.comparingInt(p -> Math.abs(from.get(p.was()).number() - f.number())))
                .map(p -> to.get(p.is()));
    }

    private List<Fixture> likest(Fixture f) {
        Traits wanted = was.of(f);
        int best = 0;
        List<Fixture> likest = new ArrayList<>();
        for (Fixture other : to.fixtures()) {
            boolean there = !f.position().isBlank() && f.position().equalsIgnoreCase(other.position());
            int likeness = wanted.likeness(is.of(other), there);
            if (likeness > best) {
                likest.clear();
            }
            if (likeness >= best && likeness > 0) {
                best = likeness;
                likest.add(other);
            }
        }
        return likest;
    }

    private static List<Fixture> waiting(Patch patch, Set<FixtureId> without) {
        return patch.fixtures().stream().filter(f -> !without.contains(f.id())).toList();
    }

    /** Evenly along both, every one of either side with a partner. */
    private void share(List<Fixture> was, List<Fixture> is, By by) {
        List<Fixture> before = by == By.HAND ? was : inOrder(was);
        List<Fixture> after = by == By.HAND ? is : inOrder(is);
        int most = before.isEmpty() || after.isEmpty() ? 0 : Math.max(before.size(), after.size());
        for (int i = 0; i < most; i++) {
            pair(before.get(i * before.size() / most), after.get(i * after.size() / most), by);
        }
    }

    private void pair(Fixture was, Fixture is, By by) {
        pairs.add(new Pair(was.id(), is.id(), by));
        done.add(was.id());
        taken.add(is.id());
    }

    /** Across the stage where all have places, which is in the sense of their numbers more often than not; else by number. */
    private static List<Fixture> inOrder(Collection<Fixture> fixtures) {
        boolean placed = fixtures.stream().allMatch(f -> f.pose().isPresent());
        Comparator<Fixture> byNumber = Comparator.comparingInt(Fixture::number);
        return fixtures.stream()
                .sorted(placed ? Comparator.comparingDouble(Pairer::across).thenComparing(byNumber) : byNumber)
                .toList();
    }

    private static double across(Fixture f) {
        return f.pose().orElseThrow().place().x();
    }
}
