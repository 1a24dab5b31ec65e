package app.loculus.app.api;

import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import java.util.List;
import java.util.Optional;

/**
 * Where an edit puts a fixture on the output.
 *
 * @param clash whether others claim some of the slots too
 */
public record Landing(int number, String name, int universe, int from, int to, boolean clash) {

    /** Addresses that were not there before the edit. */
    static List<Landing> of(Outcome outcome) {
        Patch patch = outcome.show().patch();
        return outcome.delta().of(PartKinds.FIXTURES).stream()
                .filter(c -> c.after().isPresent())
                .flatMap(c -> patch.claimsOf(c.after().get()).stream().filter(claim -> isNew(c.before(), claim)))
                .map(claim -> landing(patch, claim))
                .toList();
    }

    private static boolean isNew(Optional<Fixture> before, Claim claim) {
        return before.map(f -> !f.addresses().contains(claim.at())).orElse(true);
    }

    private static Landing landing(Patch patch, Claim claim) {
        return new Landing(
                claim.fixture().number(),
                claim.fixture().name(),
                claim.universe(),
                claim.first(),
                claim.last(),
                !patch.inTheWayOf(claim).isEmpty());
    }
}
