package app.loculus.core.resolve;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.UnitValues;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * One layer of what decides over the lights: it has an owner and a time, and lays what it says over what lies below.
 * The programmer is one, highlight is one, bringing up is one, slots driven by hand are one; looks and effects will be
 * further ones.
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
        HIGHEST
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
            if (before.values != values) {
                differing(before.values, values, found);
                differing(values, before.values, found);
            }
            return found;
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
                Optional.ofNullable(values.get(unit))
                        .ifPresent(held -> held.byAttribute()
                                .forEach((attribute, touched) ->
                                        resolver.set(mode, unit, attribute, touched.value(), merge, channels)));
            }
        }
    }

    /** Units shown off, each as its profile says. */
    record Highlighted(String owner, long sinceMillis, Set<UnitId> units) implements Layer {

        @Override
        public Set<FixtureId> fixtures() {
            return units.stream().map(UnitId::fixture).collect(Collectors.toCollection(LinkedHashSet::new));
        }

        @Override
        public Set<FixtureId> differing(Layer earlier) {
            return earlier instanceof Highlighted before && before.units.equals(units)
                    ? Set.of()
                    : Layer.union(this, earlier);
        }

        @Override
        public void lay(Fixture fixture, Mode mode, List<Resolved> channels, Resolver resolver) {
            for (int i = 0; i < channels.size(); i++) {
                int cell = mode.channels().get(i).cell();
                if (mode.layout().outwards(cell).stream()
                        .anyMatch(outer -> units.contains(new UnitId(fixture.id(), outer)))) {
                    Resolved.highlighted(mode.channels().get(i)).ifPresent(set(channels, i));
                }
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
