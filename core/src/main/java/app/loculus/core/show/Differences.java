package app.loculus.core.show;

import java.util.ArrayList;
import java.util.List;

/** Says in words how two states of a show differ. */
public final class Differences {

    private Differences() {}

    /** Sentences from the older to the newer state; empty when nothing differs. */
    public static List<String> words(Show before, Show after) {
        List<String> words = new ArrayList<>();
        PartKinds.ALL.forEach(kind -> tell(kind, before, after, words));
        return words;
    }

    private static <K, V> void tell(PartKind<K, V> kind, Show before, Show after, List<String> words) {
        kind.teller().tell(before, after, before.all(kind), after.all(kind), words::add);
    }

    /** Every part that is not the same, as changes from one state to the other. */
    public static Delta between(Show before, Show after) {
        List<Change<?, ?>> changes = new ArrayList<>();
        PartKinds.ALL.forEach(kind -> between(kind, before, after, changes));
        return new Delta(changes);
    }

    private static <K, V> void between(PartKind<K, V> kind, Show before, Show after, List<Change<?, ?>> changes) {
        after.all(kind).forEach((key, part) -> {
            Change<K, V> change = new Change<>(kind, key, before.find(kind, key), after.find(kind, key));
            if (!change.idle()) {
                changes.add(change);
            }
        });
        before.all(kind).keySet().stream()
                .filter(key -> after.find(kind, key).isEmpty())
                .forEach(key -> changes.add(new Change<>(kind, key, before.find(kind, key), after.find(kind, key))));
    }
}
