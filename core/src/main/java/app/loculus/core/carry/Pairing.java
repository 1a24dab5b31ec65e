package app.loculus.core.carry;

import app.loculus.core.patch.FixtureId;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** Which fixtures of a show have which in another rig in their place: one, several that do the same, or several in one. */
public final class Pairing {

    private final List<Pair> pairs;
    private final Map<FixtureId, Set<FixtureId>> byWas = new LinkedHashMap<>();
    private final Map<FixtureId, Set<FixtureId>> byIs = new HashMap<>();

    public Pairing(Collection<Pair> pairs) {
        this.pairs = List.copyOf(pairs);
        pairs.forEach(p -> {
            byWas.computeIfAbsent(p.was(), f -> new LinkedHashSet<>()).add(p.is());
            byIs.computeIfAbsent(p.is(), f -> new LinkedHashSet<>()).add(p.was());
        });
    }

    public List<Pair> pairs() {
        return pairs;
    }

    /** Those that do what this one did, in order. */
    public List<FixtureId> inPlaceOf(FixtureId was) {
        return List.copyOf(byWas.getOrDefault(was, Set.of()));
    }

    /** Those whose part this one takes, the first one leading. */
    public List<FixtureId> partsOf(FixtureId is) {
        return List.copyOf(byIs.getOrDefault(is, Set.of()));
    }

    /** Every fixture of the other rig that takes a part. */
    public Stream<FixtureId> taken() {
        return byIs.keySet().stream();
    }
}
