package app.loculus.core.show;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** The parts of a show by kind, each in the order of its keys, whatever way they came there. Immutable. */
final class PartMap {

    private final Map<PartKind<?, ?>, SortedMap<?, ?>> byKind;

    private PartMap(Map<PartKind<?, ?>, SortedMap<?, ?>> byKind) {
        this.byKind = byKind;
    }

    static PartMap empty() {
        Map<PartKind<?, ?>, SortedMap<?, ?>> none = new HashMap<>();
        PartKinds.ALL.forEach(kind -> none.put(kind, none(kind)));
        return new PartMap(none);
    }

    private static <K, V> SortedMap<K, V> none(PartKind<K, V> kind) {
        return Collections.unmodifiableSortedMap(new TreeMap<>(kind.keys().order()));
    }

    @SuppressWarnings("unchecked") // what is put under a kind is of its types
    <K, V> SortedMap<K, V> of(PartKind<K, V> kind) {
        return (SortedMap<K, V>) byKind.get(kind);
    }

    <K, V> Optional<V> find(PartKind<K, V> kind, K key) {
        return Optional.ofNullable(of(kind).get(key));
    }

    /** Kinds that no change is of keep their very map. */
    PartMap with(List<Change<?, ?>> changes) {
        Map<PartKind<?, ?>, SortedMap<?, ?>> next = new HashMap<>();
        changes.forEach(c -> apply(c, next));
        byKind.forEach(next::putIfAbsent);
        next.replaceAll((kind, map) -> map == byKind.get(kind) ? map : Collections.unmodifiableSortedMap(map));
        return new PartMap(next);
    }

    @SuppressWarnings("unchecked") // as above
    private <K, V> void apply(Change<K, V> change, Map<PartKind<?, ?>, SortedMap<?, ?>> next) {
        SortedMap<K, V> parts =
                (SortedMap<K, V>) next.computeIfAbsent(change.kind(), k -> new TreeMap<>(of(change.kind())));
        change.after().ifPresentOrElse(v -> parts.put(change.key(), v), () -> parts.remove(change.key()));
    }

    boolean same(PartMap other, PartKind<?, ?> kind) {
        return byKind.get(kind) == other.byKind.get(kind);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PartMap m && m.byKind.equals(byKind);
    }

    @Override
    public int hashCode() {
        return byKind.values().stream().mapToInt(SortedMap::size).sum();
    }
}
