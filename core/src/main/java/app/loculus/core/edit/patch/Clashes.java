package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import java.util.List;
import java.util.stream.Stream;

/** Finds where fixtures that land run into others, or across the end of a universe. */
public final class Clashes {

    /** How many clashes of one edit are spelled out. */
    private static final int MOST_TOLD = 8;

    private Clashes() {}

    /** The refusal for two claims of the same slots. */
    public static Problem between(Claim wanted, Claim other) {
        return Problem.refusal(
                "patch.clash",
                "address",
                "Fixture " + wanted.fixture().number() + " would need " + wanted.span() + ", but "
                        + other.fixture().number() + " “"
                        + other.fixture().name() + "” holds "
                        + other.span() + ".");
    }

    /**
     * Whether two fixtures were on the same slots before, so that it is no new clash: neither has moved and no further
     * slot is met, or they share and have moved together. A share was granted for those two on those slots and for
     * nothing else.
     */
    static boolean metBefore(Patch before, Claim one, Claim other) {
        return were(before, one)
                .anyMatch(was -> were(before, other)
                        .filter(was::overlaps)
                        .anyMatch(by -> stay(one, was) && stay(other, by) && within(one, other, was, by)
                                || (was.at().shared() || by.at().shared()) && together(one, other, was, by)));
    }

    /** The claims that a fixture had for a break. */
    private static Stream<Claim> were(Patch before, Claim claim) {
        return before.find(claim.fixture().id()).stream()
                .flatMap(f -> before.claimsOf(f).stream())
                .filter(c -> c.at().breakNumber() == claim.at().breakNumber());
    }

    private static boolean stay(Claim is, Claim was) {
        return is.at().sameAs(was.at());
    }

    private static boolean within(Claim one, Claim other, Claim was, Claim by) {
        return Math.max(one.first(), other.first()) >= Math.max(was.first(), by.first())
                && Math.min(one.last(), other.last()) <= Math.min(was.last(), by.last());
    }

    private static boolean together(Claim one, Claim other, Claim was, Claim by) {
        return one.slots() == was.slots()
                && other.slots() == by.slots()
                && one.first() - other.first() == was.first() - by.first();
    }

    /**
     * Everything that keeps fixtures from landing.
     *
     * @param before clashes that were there already, at the very same addresses, do not count
     * @param after the patch with them in it
     */
    public static Problems of(Patch before, Patch after, List<Fixture> landed) {
        Problems problems = new Problems();
        for (Fixture fixture : landed) {
            for (Claim claim : after.claimsOf(fixture)) {
                if (claim.last() > Address.SLOTS) {
                    problems.add(straddles(claim));
                } else if (problems.all().size() < MOST_TOLD && moved(before, claim)) {
                    after.inTheWayOf(claim).stream()
                            .filter(c -> !metBefore(before, claim, c))
                            .map(c -> between(claim, c))
                            .limit(MOST_TOLD - problems.all().size())
                            .forEach(problems::add);
                }
            }
        }
        return problems;
    }

    private static boolean moved(Patch before, Claim claim) {
        return before.find(claim.fixture().id())
                .map(f -> before.claimsOf(f).stream()
                        .noneMatch(c -> c.at().equals(claim.at()) && c.slots() == claim.slots()))
                .orElse(true);
    }

    private static Problem straddles(Claim claim) {
        return Problem.refusal(
                "patch.straddle",
                "address",
                "Fixture " + claim.fixture().number() + " needs " + claim.slots() + " slots; "
                        + claim.at().address() + " leaves " + (Address.SLOTS - claim.first() + 1) + ".");
    }
}
