package app.loculus.core.resolve;

import app.loculus.core.effect.Beats;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.programmer.UnitValues;
import java.util.Collection;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * One layer of what decides over the lights: it has an owner and a time, and lays what it says over what lies below.
 * The programmer is one, highlight is one, bringing up is one, slots driven by hand are one; what runs is one.
 */
public interface Layer {

    /** Whose it is; a layer of the same owner at the same place is the same one, changed. */
    String owner();

    /** When it came, in milliseconds since 1970; of layers that merge by the latest, the later one lies above. */
    long sinceMillis();

    /** Whether nothing below counts where this one lies: everything else stands at home. */
    default boolean covers() {
        return false;
    }

    /** Fixtures it may say something about. */
    Set<FixtureId> fixtures();

    /** Fixtures about which it says something else than an earlier state of itself did. */
    Set<FixtureId> differing(Layer earlier);

    /** Fixtures whose values move by themselves as time goes on. */
    default Set<FixtureId> moving() {
        return Set.of();
    }

    /** How far everything that moves has turned, if this layer knows. */
    default Optional<Beats> beats() {
        return Optional.empty();
    }

    /** Lays its values over the channels of one fixture. */
    void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver);

    /** Slots that it drives itself, whatever hangs there: laid over what all fixtures send. */
    default Optional<Driven> driven() {
        return Optional.empty();
    }

    /** How a layer's intensity meets the one below; everything else is always the latest. */
    enum Merge {
        /** What lies above counts. */
        LATEST,
        /** The higher of the two counts. */
        HIGHEST,
        /** What lies above counts, commands too: everywhere else those are left out. */
        COMMAND
    }

    /** Values by unit. */
    record Values(String owner, long sinceMillis, Merge merge, boolean covers, Map<UnitId, UnitValues> values)
            implements Layer {

        @Override
        public Set<FixtureId> fixtures() {
            return values.keySet().stream().map(UnitId::fixture).collect(Collectors.toCollection(LinkedHashSet::new));
        }

        @Override
        public Set<FixtureId> differing(Layer earlier) {
            if (!(earlier instanceof Values before) || before.merge != merge || before.covers != covers) {
                return Layer.union(this, earlier);
            }
            Set<FixtureId> found = new LinkedHashSet<>();
            if (before.values != values && !sideBySide(before.values, values, found)) {
                differing(before.values, values, found);
                differing(values, before.values, found);
            }
            return found;
        }

        @Override
        public Set<FixtureId> moving() {
            Set<FixtureId> found = new LinkedHashSet<>();
            values.forEach((unit, held) -> {
                if (held.moves()) {
                    found.add(unit.fixture());
                }
            });
            return found;
        }

        /** Most edits leave who has values as it was: then both can be gone through at once. @return whether that is so */
        private static boolean sideBySide(
                Map<UnitId, UnitValues> one, Map<UnitId, UnitValues> other, Set<FixtureId> found) {
            if (one.size() != other.size()) {
                return false;
            }
            Iterator<Map.Entry<UnitId, UnitValues>> others = other.entrySet().iterator();
            Set<FixtureId> so = new LinkedHashSet<>();
            for (Map.Entry<UnitId, UnitValues> held : one.entrySet()) {
                Map.Entry<UnitId, UnitValues> beside = others.next();
                if (held.getKey() != beside.getKey() && !held.getKey().equals(beside.getKey())) {
                    return false;
                }
                if (held.getValue() != beside.getValue()) {
                    so.add(held.getKey().fixture());
                }
            }
            found.addAll(so);
            return true;
        }

        private static void differing(
                Map<UnitId, UnitValues> one, Map<UnitId, UnitValues> other, Set<FixtureId> found) {
            one.forEach((unit, held) -> {
                if (other.get(unit) != held) {
                    found.add(unit.fixture());
                }
            });
        }

        @Override
        public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
            for (int cell = 0; cell <= mode.cells(); cell++) {
                UnitId unit = new UnitId(fixture.id(), cell);
                Optional.ofNullable(values.get(unit)).ifPresent(held -> resolver.lay(mode, unit, held, this, channels));
            }
        }
    }

    /**
     * Units shown off.
     *
     * @param look how, where that is not what their profiles say
     * @param others fixtures that keep a share of their light meanwhile; none when everything else stays as it is
     */
    record Highlighted(
            String owner, long sinceMillis, Set<UnitId> units, HighlightLook look, Collection<FixtureId> others)
            implements Layer {

        @Override
        public Set<FixtureId> fixtures() {
            Set<FixtureId> all =
                    units.stream().map(UnitId::fixture).collect(Collectors.toCollection(LinkedHashSet::new));
            all.addAll(others);
            return all;
        }

        @Override
        public Set<FixtureId> differing(Layer earlier) {
            return earlier instanceof Highlighted before
                            && before.units.equals(units)
                            && before.look.equals(look)
                            && before.others.equals(others)
                    ? Set.of()
                    : Layer.union(this, earlier);
        }

        @Override
        public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
            if (units.isEmpty()) {
                return;
            }
            Set<Integer> shown = units.stream()
                    .filter(u -> u.fixture().equals(fixture.id()))
                    .map(UnitId::cell)
                    .collect(Collectors.toSet());
            if (shown.isEmpty()) {
                look.rest()
                        .ifPresent(share -> Mastered.outermost(mode)
                                .forEach(dimmer -> channels.set(
                                        dimmer, channels.get(dimmer).dimmed(share.value()))));
                return;
            }
            List<Resolved> below = List.copyOf(channels);
            Set<Integer> around = around(mode, shown);
            for (int i = 0; i < channels.size(); i++) {
                int cell = mode.channels().get(i).cell();
                if (around.contains(cell) || lies(mode, cell, shown)) {
                    Resolved.highlighted(mode.channels().get(i), owner).ifPresent(set(channels, i));
                }
            }
            look.colour(fixture.profile())
                    .ifPresent(colour -> resolver.show(mode, fixture.id(), shown, colour, this, channels));
            look.of(fixture.profile())
                    .forEach((attribute, value) -> shown.forEach(cell ->
                            resolver.show(mode, new UnitId(fixture.id(), cell), attribute, value, this, channels)));
            if (!around.isEmpty()) {
                others(mode, shown, around).forEach(cell -> asBefore(mode, cell, around, below, channels));
            }
        }

        /** What the shown cells lie in: it has to let light through. */
        private static Set<Integer> around(Mode mode, Set<Integer> shown) {
            return shown.stream()
                    .flatMap(cell -> mode.layout().outwards(cell).stream().skip(1))
                    .filter(outer -> !lies(mode, outer, shown))
                    .collect(Collectors.toSet());
        }

        private static boolean lies(Mode mode, int cell, Set<Integer> shown) {
            return mode.layout().outwards(cell).stream().anyMatch(shown::contains);
        }

        /** Cells outermost beside what is shown: they lie in what was opened, and are not shown themselves. */
        private static List<Integer> others(Mode mode, Set<Integer> shown, Set<Integer> around) {
            return around.stream()
                    .flatMap(outer -> mode.layout().directlyIn(outer).stream())
                    .filter(cell -> !around.contains(cell) && !shown.contains(cell))
                    .toList();
        }

        /** Takes from the other cells what the dimmers around them were opened by. */
        private static void asBefore(
                Mode mode, int cell, Set<Integer> around, List<Resolved> below, List<Resolved> channels) {
            double factor = 1;
            for (int outer : mode.layout().outwards(cell)) {
                int dimmer = around.contains(outer) ? Mastered.dimmer(mode, outer) : -1;
                if (dimmer >= 0) {
                    double now = Lights.light(channels.get(dimmer));
                    factor *= now > 0 ? Lights.light(below.get(dimmer)) / now : 1;
                }
            }
            int own = Mastered.dimmer(mode, cell);
            if (own >= 0) {
                channels.set(own, below.get(own).dimmed(factor));
            } else {
                double left = factor;
                mode.layout().directlyIn(cell).stream()
                        .map(inner -> Mastered.dimmer(mode, inner))
                        .filter(inner -> inner >= 0)
                        .forEach(inner -> channels.set(inner, below.get(inner).dimmed(left)));
            }
        }

        private static java.util.function.Consumer<Resolved> set(List<Resolved> channels, int at) {
            return resolved -> channels.set(at, resolved);
        }
    }

    /**
     * Slots in a row, driven octet by octet: what is tried there need not be in the show.
     *
     * @param at where the first of them lies
     * @param octets 0 to 255, slot by slot; what would lie beyond slot 512 is left out
     */
    record Driven(String owner, long sinceMillis, Address at, List<Integer> octets) implements Layer {

        public Driven {
            octets = List.copyOf(octets);
        }

        @Override
        public Set<FixtureId> fixtures() {
            return Set.of();
        }

        @Override
        public Set<FixtureId> differing(Layer earlier) {
            return Set.of();
        }

        @Override
        public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
            // It knows no channels.
        }

        @Override
        public Optional<Driven> driven() {
            return Optional.of(this);
        }
    }

    private static Set<FixtureId> union(Layer one, Layer other) {
        Set<FixtureId> all = new LinkedHashSet<>(one.fixtures());
        all.addAll(other.fixtures());
        return all;
    }

    /** Whether two states of a stack hold layers of the same owners in the same order, so that they can be compared. */
    static boolean sameOwners(List<Layer> one, List<Layer> other) {
        return one.stream()
                        .map(Layer::owner)
                        .toList()
                        .equals(other.stream().map(Layer::owner).toList())
                && Objects.equals(
                        one.stream().map(Layer::covers).toList(),
                        other.stream().map(Layer::covers).toList());
    }
}
