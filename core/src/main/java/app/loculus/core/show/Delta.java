package app.loculus.core.show;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Every change of one edit, each part once, in order. */
public record Delta(List<Change> changes) {

    public static final Delta NONE = new Delta(List.of());

    public Delta {
        changes = List.copyOf(changes);
    }

    /** What takes the edit back. */
    public Delta reversed() {
        List<Change> back =
                new ArrayList<>(changes.stream().map(Change::reversed).toList());
        Collections.reverse(back);
        return new Delta(back);
    }

    public boolean isEmpty() {
        return changes.isEmpty();
    }

    public Set<Object> parts() {
        return changes.stream().map(Change::part).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    public Set<String> areas() {
        return changes.stream().map(Change::area).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Parts that both change. */
    public Set<Object> meets(Delta other) {
        Set<Object> both = parts();
        both.retainAll(other.parts());
        return both;
    }
}
