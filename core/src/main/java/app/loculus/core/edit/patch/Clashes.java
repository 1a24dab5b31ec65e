package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import java.util.List;
import java.util.Optional;

/** Finds where fixtures that land run into others, or across the end of a universe. */
public final class Clashes {

    /** How many clashes of one edit are spelled out. */
    private static final int MOST_TOLD = 8;

    private Clashes() {}

    /** The refusal for two claims of the same slots; none where one of them shares. */
    public static Optional<Problem> between(Claim wanted, Claim other) {
        return wanted.at().shared() || other.at().shared()
                ? Optional.empty()
                : Optional.of(Problem.refusal(
                        "patch.clash",
                        "address",
                        "Fixture " + wanted.fixture().number() + " would need " + wanted.span() + ", but "
                                + other.fixture().number() + " “"
                                + other.fixture().name() + "” holds "
                                + other.span() + "."));
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
                            .flatMap(c -> between(claim, c).stream())
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
