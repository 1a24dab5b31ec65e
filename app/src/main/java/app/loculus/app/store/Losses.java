package app.loculus.app.store;

import app.loculus.core.show.PartKind;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** What of a stored show could not be read, counted by kind. */
final class Losses {

    private final Map<PartKind<?, ?>, Integer> unread = new LinkedHashMap<>();

    /** The part, or nothing when its rows make no sense. */
    <T> Optional<T> attempt(PartKind<?, ?> kind, Supplier<T> part) {
        try {
            return Optional.of(part.get());
        } catch (RuntimeException damaged) {
            lost(kind);
            return Optional.empty();
        }
    }

    void lost(PartKind<?, ?> kind) {
        unread.merge(kind, 1, Integer::sum);
    }

    List<String> words() {
        return unread.entrySet().stream()
                .map(e -> Numbers.count(e.getValue(), "part") + " of the "
                        + e.getKey().words() + " cannot be read")
                .toList();
    }
}
