package app.loculus.core.selection;

import app.loculus.core.patch.UnitId;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** An ordered list of steps; no unit occurs twice. */
public record Selection(List<Step> steps) {

    public static final Selection EMPTY = new Selection(List.of());

    public Selection {
        steps = List.copyOf(steps);
    }

    /** One step per unit, each unit at the place where it was named first. */
    public static Selection of(Collection<UnitId> units) {
        return new Selection(new LinkedHashSet<>(units).stream().map(Step::of).toList());
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
        Set<UnitId> held = new LinkedHashSet<>(units());
        Stream<Step> added = more.steps.stream()
                .map(s -> new Step(s.units().stream().filter(held::add).toList()))
                .filter(s -> !s.units().isEmpty());
        return new Selection(Stream.concat(steps.stream(), added).toList());
    }

    public Selection minus(Selection less) {
        Set<UnitId> gone = new LinkedHashSet<>(less.units());
        return keeping(unit -> !gone.contains(unit));
    }

    /** The same order, with only the units that pass. */
    public Selection keeping(java.util.function.Predicate<UnitId> wanted) {
        return new Selection(steps.stream()
                .map(s -> new Step(s.units().stream().filter(wanted).toList()))
                .filter(s -> !s.units().isEmpty())
                .toList());
    }
}
