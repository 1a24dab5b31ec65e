package app.loculus.core.show;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.SortedMap;
import java.util.function.BiPredicate;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** Says what became of fixtures, column by column. */
final class FixtureTeller implements Teller<FixtureId, Fixture> {

    @Override
    public void tell(
            Show before,
            Show after,
            SortedMap<FixtureId, Fixture> were,
            SortedMap<FixtureId, Fixture> are,
            Consumer<String> words) {
        numbers("added", are, f -> !were.containsKey(f.id()), words);
        numbers("gone", were, f -> !are.containsKey(f.id()), words);
        changed("with other addresses", were, are, (a, b) -> !a.addresses().equals(b.addresses()), words);
        changed("with another number", were, are, (a, b) -> a.number() != b.number(), words);
        changed(
                "with another profile or mode",
                were,
                are,
                (a, b) -> !type(before, a).equals(type(after, b)),
                words);
        changed("with another name", were, are, (a, b) -> !a.name().equals(b.name()), words);
        changed("with another position", were, are, (a, b) -> !a.position().equals(b.position()), words);
        changed("with another purpose", were, are, (a, b) -> !a.purpose().equals(b.purpose()), words);
        changed("with another place on stage", were, are, (a, b) -> !a.pose().equals(b.pose()), words);
        changed(
                "with pan or tilt inverted otherwise",
                were,
                are,
                (a, b) -> !a.inverted().equals(b.inverted()),
                words);
        changed("with another gel", were, are, (a, b) -> !a.gel().equals(b.gel()), words);
        changed("with other notes", were, are, (a, b) -> !a.notes().equals(b.notes()), words);
        changed(
                "with another mark from bringing up",
                were,
                are,
                (a, b) -> !a.bringUp().equals(b.bringUp()),
                words);
    }

    private static String type(Show show, Fixture f) {
        return show.patch().profileOf(f).fullName() + " / " + f.mode() + " " + f.profile();
    }

    private static void changed(
            String what,
            SortedMap<FixtureId, Fixture> were,
            SortedMap<FixtureId, Fixture> are,
            BiPredicate<Fixture, Fixture> differ,
            Consumer<String> words) {
        numbers(what, are, f -> were.containsKey(f.id()) && differ.test(were.get(f.id()), f), words);
    }

    private static void numbers(
            String what, SortedMap<FixtureId, Fixture> all, Predicate<Fixture> meant, Consumer<String> words) {
        List<Integer> numbers = all.values().stream()
                .filter(meant)
                .map(Fixture::number)
                .sorted()
                .toList();
        if (!numbers.isEmpty()) {
            words.accept(Numbers.count(numbers.size(), "fixture") + " " + what + ": " + Numbers.text(numbers));
        }
    }
}
