package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UniverseSetup;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Says in words how two states of a show differ. */
public final class Differences {

    /** More names than this are counted. */
    private static final int MOST_NAMED = 6;

    private final Show before;
    private final Show after;
    private final List<String> words = new ArrayList<>();

    private Differences(Show before, Show after) {
        this.before = before;
        this.after = after;
    }

    /** Sentences from the older to the newer state; empty when nothing differs. */
    public static List<String> words(Show before, Show after) {
        return new Differences(before, after).all();
    }

    private List<String> all() {
        if (!before.name().equals(after.name())) {
            words.add("The show is called “" + after.name() + "”, no longer “" + before.name() + "”");
        }
        fixtures();
        things("group", before.groups(), after.groups(), Group::id, g -> g.number() + " “" + g.name() + "”");
        things("palette", before.palettes(), after.palettes(), Palette::id, Palette::toString);
        things(
                "universe",
                before.universes(),
                after.universes(),
                UniverseSetup::universe,
                u -> String.valueOf(u.universe()));
        if (!before.programmer().values().equals(after.programmer().values())) {
            words.add("Working values differ");
        }
        return words;
    }

    private void fixtures() {
        Map<Object, Fixture> were = byKey(before.patch().fixtures(), Fixture::id);
        Map<Object, Fixture> are = byKey(after.patch().fixtures(), Fixture::id);
        numbers(
                "added",
                are.values().stream().filter(f -> !were.containsKey(f.id())).toList());
        numbers(
                "gone",
                were.values().stream().filter(f -> !are.containsKey(f.id())).toList());
        changed(were, are, "with other addresses", (a, b) -> !addresses(a).equals(addresses(b)));
        changed(were, are, "with another number", (a, b) -> a.number() != b.number());
        changed(
                were,
                are,
                "with another profile or mode",
                (a, b) -> !type(before, a).equals(type(after, b)));
        changed(were, are, "with another name", (a, b) -> !a.name().equals(b.name()));
        changed(were, are, "with another position", (a, b) -> !a.position().equals(b.position()));
        changed(were, are, "with another purpose", (a, b) -> !a.purpose().equals(b.purpose()));
        changed(were, are, "with another place on stage", (a, b) -> !a.pose().equals(b.pose()));
        changed(were, are, "with other notes", (a, b) -> !a.notes().equals(b.notes()));
        changed(
                were,
                are,
                "with another mark from bringing up",
                (a, b) -> !a.bringUp().equals(b.bringUp()));
    }

    private static String addresses(Fixture f) {
        return f.addresses().toString();
    }

    private static String type(Show show, Fixture f) {
        return show.patch().profileOf(f).fullName() + " / " + f.mode() + " " + f.profile();
    }

    private void changed(
            Map<Object, Fixture> were, Map<Object, Fixture> are, String what, BiPredicate<Fixture, Fixture> differ) {
        List<Fixture> found = are.values().stream()
                .filter(f -> were.containsKey(f.id()) && differ.test(were.get(f.id()), f))
                .toList();
        numbers(what, found);
    }

    private void numbers(String what, List<Fixture> fixtures) {
        if (!fixtures.isEmpty()) {
            List<Integer> numbers = new ArrayList<>(
                    new TreeMap<>(fixtures.stream().collect(Collectors.toMap(Fixture::number, f -> f, (a, b) -> a)))
                            .keySet());
            words.add(Numbers.count(fixtures.size(), "fixture") + " " + what + ": " + Numbers.text(numbers));
        }
    }

    private <T> void things(
            String what, Collection<T> old, Collection<T> now, Function<T, Object> key, Function<T, String> name) {
        Map<Object, T> were = byKey(old, key);
        Map<Object, T> are = byKey(now, key);
        named(
                what,
                "added",
                are.entrySet().stream()
                        .filter(e -> !were.containsKey(e.getKey()))
                        .map(e -> name.apply(e.getValue()))
                        .toList());
        named(
                what,
                "gone",
                were.entrySet().stream()
                        .filter(e -> !are.containsKey(e.getKey()))
                        .map(e -> name.apply(e.getValue()))
                        .toList());
        named(
                what,
                "changed",
                are.entrySet().stream()
                        .filter(e -> were.containsKey(e.getKey())
                                && !were.get(e.getKey()).equals(e.getValue()))
                        .map(e -> name.apply(e.getValue()))
                        .toList());
    }

    private void named(String what, String how, List<String> names) {
        if (!names.isEmpty()) {
            String listed = names.stream().limit(MOST_NAMED).collect(Collectors.joining(", "));
            words.add(Numbers.count(names.size(), what) + " " + how + ": " + listed
                    + (names.size() > MOST_NAMED ? " and " + (names.size() - MOST_NAMED) + " more" : ""));
        }
    }

    private static <T> Map<Object, T> byKey(Collection<T> all, Function<T, ?> key) {
        Map<Object, T> map = new LinkedHashMap<>();
        all.forEach(t -> map.put(key.apply(t), t));
        return map;
    }
}
