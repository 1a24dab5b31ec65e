package app.loculus.core.check;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import java.util.Optional;

/** Guesses how a number was misheard or misread. */
final class Slips {

    private Slips() {}

    /** Between two numbers that should be one. */
    static Optional<String> numbers(int ours, int theirs) {
        if (swapped(ours, theirs)) {
            return Optional.of("digits swapped");
        }
        return Math.abs(ours - theirs) == 1 ? Optional.of("off by one") : Optional.empty();
    }

    /** Between two addresses of one fixture. */
    static Optional<String> addresses(Patch patch, Fixture fixture, Address ours, Address theirs) {
        if (ours.slot() == theirs.slot()) {
            return Optional.of("same slot, wrong universe");
        }
        if (ours.universe() == theirs.universe()) {
            Optional<String> slip = numbers(ours.slot(), theirs.slot());
            if (slip.isPresent()) {
                return slip;
            }
        }
        return neighbour(patch, fixture, theirs);
    }

    /** The neighbour's line was read. */
    private static Optional<String> neighbour(Patch patch, Fixture fixture, Address theirs) {
        for (int number : new int[] {fixture.number() - 1, fixture.number() + 1}) {
            boolean there = patch.numbered(number)
                    .map(f -> f.addresses().stream().anyMatch(a -> a.address().equals(theirs)))
                    .orElse(false);
            if (there) {
                return Optional.of("that is where " + number + " stands: a neighbour's number");
            }
        }
        return Optional.empty();
    }

    /** Whether two digits next to each other changed places. */
    static boolean swapped(int one, int other) {
        String a = String.valueOf(one);
        String b = String.valueOf(other);
        if (a.length() != b.length() || one == other) {
            return false;
        }
        int at = 0;
        while (a.charAt(at) == b.charAt(at)) {
            at++;
        }
        return at + 1 < a.length()
                && a.charAt(at) == b.charAt(at + 1)
                && a.charAt(at + 1) == b.charAt(at)
                && a.substring(at + 2).equals(b.substring(at + 2));
    }
}
