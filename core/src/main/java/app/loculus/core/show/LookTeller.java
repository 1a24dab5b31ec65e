package app.loculus.core.show;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/** Says which looks differ, by the cue or submaster that holds them. */
final class LookTeller implements Teller<LookId, Look> {

    @Override
    public void tell(
            Show before,
            Show after,
            SortedMap<LookId, Look> were,
            SortedMap<LookId, Look> are,
            Consumer<String> words) {
        // Those that are held come and go with whatever holds them.
        Teller.<LookId, Look>comings("look", Look::toString).tell(before, after, numbered(were), numbered(are), words);
        List<String> changed = are.entrySet().stream()
                .filter(e ->
                        were.containsKey(e.getKey()) && !were.get(e.getKey()).equals(e.getValue()))
                .map(e -> LookHolders.words(after, e.getValue()))
                .toList();
        if (!changed.isEmpty()) {
            words.accept("Looks changed: "
                    + String.join(", ", changed.subList(0, Math.min(MOST_NAMED, changed.size())))
                    + (changed.size() > MOST_NAMED ? " and " + (changed.size() - MOST_NAMED) + " more" : ""));
        }
    }

    private static SortedMap<LookId, Look> numbered(SortedMap<LookId, Look> all) {
        SortedMap<LookId, Look> found = new TreeMap<>(all);
        found.values().removeIf(l -> l.number().isEmpty());
        return found;
    }
}
