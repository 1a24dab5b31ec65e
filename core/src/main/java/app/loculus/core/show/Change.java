package app.loculus.core.show;

import java.util.Optional;

/** One part of a show becoming another; what was there before comes along, so that it can be taken back. */
public record Change<K, V>(PartKind<K, V> kind, K key, Optional<V> before, Optional<V> after) {

    /** The part that changes; changes of one part have equal refs. */
    public PartRef part() {
        return kind.ref(key);
    }

    public Change<K, V> reversed() {
        return new Change<>(kind, key, after, before);
    }

    /** This change as it looks from before an earlier change of the same part. */
    @SuppressWarnings("unchecked") // changes of one part are of one kind
    Change<K, V> following(Change<?, ?> earlier) {
        return new Change<>(kind, key, (Optional<V>) earlier.before, after);
    }

    /** Whether before and after are the same. */
    public boolean idle() {
        return before.equals(after);
    }

    /** Whether somebody who read the part would have to look again. */
    boolean noticed() {
        return kind.noticed(before, after);
    }

    /** This change as one of a kind, when it is of that kind. */
    @SuppressWarnings("unchecked") // a change of a kind holds the kind's types
    public <A, B> Optional<Change<A, B>> of(PartKind<A, B> wanted) {
        return kind == (Object) wanted ? Optional.of((Change<A, B>) this) : Optional.empty();
    }
}
