package app.loculus.core.show;

import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.SortedMap;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Says in words how the parts of one kind differ between two states of a show. */
interface Teller<K, V> {

    /** More names than this are counted. */
    int MOST_NAMED = 6;

    void tell(Show before, Show after, SortedMap<K, V> were, SortedMap<K, V> are, Consumer<String> words);

    static <K, V> Teller<K, V> nothing() {
        return (before, after, were, are, words) -> {};
    }

    /** One sentence when anything differs at all. */
    static <K, V> Teller<K, V> whenever(String sentence) {
        return (before, after, were, are, words) -> {
            if (!were.equals(are)) {
                words.accept(sentence);
            }
        };
    }

    /** What was added, is gone and has changed, by name. */
    static <K, V> Teller<K, V> named(String one, Function<V, String> name) {
        return (before, after, were, are, words) -> {
            Teller.<K, V>comings(one, name).tell(before, after, were, are, words);
            List<String> changed = are.entrySet().stream()
                    .filter(e -> were.containsKey(e.getKey())
                            && !were.get(e.getKey()).equals(e.getValue()))
                    .map(e -> name.apply(e.getValue()))
                    .toList();
            named(one, "changed", changed, words);
        };
    }

    /** What was added and is gone, by name. */
    static <K, V> Teller<K, V> comings(String one, Function<V, String> name) {
        return (before, after, were, are, words) -> {
            named(one, "added", only(are, were, name), words);
            named(one, "gone", only(were, are, name), words);
        };
    }

    private static <K, V> List<String> only(SortedMap<K, V> these, SortedMap<K, V> others, Function<V, String> name) {
        return these.entrySet().stream()
                .filter(e -> !others.containsKey(e.getKey()))
                .map(e -> name.apply(e.getValue()))
                .toList();
    }

    private static void named(String what, String how, List<String> names, Consumer<String> words) {
        if (!names.isEmpty()) {
            String listed = names.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
            words.accept(Numbers.count(names.size(), what) + " " + how + ": " + listed
                    + (names.size() > MOST_NAMED ? " and " + (names.size() - MOST_NAMED) + " more" : ""));
        }
    }
}
