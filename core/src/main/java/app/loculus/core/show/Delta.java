package app.loculus.core.show;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Every change of one edit, each part once, in order. */
public record Delta(List<Change<?, ?>> changes) {

    public static final Delta NONE = new Delta(List.of());

    public Delta {
        changes = List.copyOf(changes);
    }

    /** What takes the edit back. */
    public Delta reversed() {
        List<Change<?, ?>> back = new ArrayList<>();
        changes.forEach(c -> back.add(c.reversed()));
        Collections.reverse(back);
        return new Delta(back);
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** Changes of one kind alone. */
    public <K, V> List<Change<K, V>> of(PartKind<K, V> kind) {
        return changes.stream().flatMap(c -> c.of(kind).stream()).toList();
    }

    public Set<PartRef> parts() {
        return changes.stream().map(Change::part).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Parts that somebody who read them would have to look at again. */
    public Set<PartRef> noticed() {
        return changes.stream()
                .filter(Change::noticed)
                .map(Change::part)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    public Set<PartKind<?, ?>> kinds() {
        return changes.stream().map(Change::kind).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Several edits as one. */
    public static Delta joined(List<Delta> deltas) {
        Joining joining = new Joining();
        deltas.forEach(d -> d.changes().forEach(joining::add));
        return joining.delta();
    }
}
