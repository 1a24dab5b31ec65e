package app.loculus.core.show;

import java.util.LinkedHashSet;
import java.util.Set;

/** What an edit went by beside what it changes. */
public final class Reads {

    private final Set<PartRef> parts = new LinkedHashSet<>();
    private final Set<PartKind<?, ?>> kinds = new LinkedHashSet<>();

    void add(PartRef part) {
        parts.add(part);
    }

    void add(PartKind<?, ?> kind) {
        kinds.add(kind);
    }

    /** Whether the edit went by this part. */
    public boolean holds(PartRef part) {
        return kinds.contains(part.kind()) || parts.contains(part);
    }

    /** Whether it went by any of them. */
    public boolean holdsAny(Set<PartRef> changed) {
        return changed.stream().anyMatch(this::holds);
    }
}
