package app.loculus.core.selection;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** An ordered list of steps; no unit occurs twice, nor a cell beside the whole fixture that it is of. */
public record Selection(List<Step> steps) {

    public static final Selection EMPTY = new Selection(List.of());

    public Selection {
        steps = List.copyOf(steps);
    }

    /** One step per unit, each unit at the place where it was named first. */
    public static Selection of(Collection<UnitId> units) {
        return once(units.stream().map(Step::of).toList());
    }

    /** Each unit at its first place; where a whole fixture is held, it stands where the first of its cells was. */
    private static Selection once(List<Step> steps) {
        Set<FixtureId> wholes = wholes(steps);
        Set<UnitId> held = new HashSet<>();
        return mapped(
                steps,
                units -> units.map(u -> wholes.contains(u.fixture()) ? UnitId.whole(u.fixture()) : u)
                        .filter(held::add));
    }

    private static Set<FixtureId> wholes(List<Step> steps) {
        return steps.stream()
                .flatMap(s -> s.units().stream())
                .filter(u -> u.cell() == 0)
                .map(UnitId::fixture)
                .collect(Collectors.toSet());
    }

    private static Selection mapped(List<Step> steps, UnaryOperator<Stream<UnitId>> units) {
        return new Selection(steps.stream()
                .map(s -> new Step(units.apply(s.units().stream()).toList()))
                .filter(s -> !s.units().isEmpty())
                .toList());
    }

    public List<UnitId> units() {
        return steps.stream().flatMap(s -> s.units().stream()).toList();
    }

    public boolean isEmpty() {
        return steps.isEmpty();
    }

    public int size() {
        return steps.stream().mapToInt(s -> s.units().size()).sum();
    }

    /** Appends what is new; a unit that is already in keeps its place. */
    public Selection plus(Selection more) {
        return once(Stream.concat(steps.stream(), more.steps.stream()).toList());
    }

    /**
     * Without these units.
     *
     * @param cells the cells of a fixture: a whole one that loses some of them leaves the others, in one step
     */
    public Selection minus(Selection less, Function<FixtureId, List<UnitId>> cells) {
        Set<UnitId> gone = new HashSet<>(less.units());
        Set<FixtureId> opened = less.units().stream().map(UnitId::fixture).collect(Collectors.toSet());
        return mapped(
                steps,
                units -> units.filter(u -> !among(gone, u))
                        .flatMap(u -> u.cell() == 0 && opened.contains(u.fixture())
                                ? cells.apply(u.fixture()).stream().filter(c -> !gone.contains(c))
                                : Stream.of(u)));
    }

    /** Only what is in both, in this order; a cell is in the whole fixture. */
    public Selection and(Selection other) {
        Set<UnitId> wanted = new LinkedHashSet<>(other.units());
        return mapped(
                steps,
                units -> units.flatMap(u -> among(wanted, u)
                        ? Stream.of(u)
                        : wanted.stream()
                                .filter(w -> u.cell() == 0 && w.fixture().equals(u.fixture()))));
    }

    private static boolean among(Set<UnitId> units, UnitId unit) {
        return units.contains(unit) || units.contains(UnitId.whole(unit.fixture()));
    }

    /** Units of this that are not in the other one, nor is any cell of theirs. */
    public Selection beside(Selection other) {
        Set<UnitId> held = new HashSet<>(other.units());
        Set<FixtureId> fixtures = other.units().stream().map(UnitId::fixture).collect(Collectors.toSet());
        return keeping(u -> !among(held, u) && (u.cell() > 0 || !fixtures.contains(u.fixture())));
    }

    /** The same order, with only the units that pass. */
    public Selection keeping(Predicate<UnitId> wanted) {
        return mapped(steps, units -> units.filter(wanted));
    }
}
