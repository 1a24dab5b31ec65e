package app.loculus.core.patch;

import java.util.List;
import java.util.Optional;

/** Finds room on the output. */
public final class GapFinder {

    private final Patch patch;

    public GapFinder(Patch patch) {
        this.patch = patch;
    }

    /**
     * The lowest address from {@code start} on where all slots are free within one universe.
     *
     * @param ignored a fixture whose own slots count as free, because it is about to leave them
     */
    public Optional<Address> next(Address start, int slots, Optional<FixtureId> ignored) {
        Optional<Address> found = inUniverse(start, slots, ignored);
        for (int universe = start.universe() + 1; found.isEmpty() && universe <= Address.LAST_UNIVERSE; universe++) {
            found = inUniverse(new Address(universe, 1), slots, ignored);
        }
        return found;
    }

    private Optional<Address> inUniverse(Address start, int slots, Optional<FixtureId> ignored) {
        int slot = start.slot();
        for (Claim claim : patch.claims().getOrDefault(start.universe(), List.of())) {
            boolean counts = ignored.isEmpty() || !claim.fixture().id().equals(ignored.get());
            if (counts && claim.first() < slot + slots && claim.last() >= slot) {
                slot = claim.last() + 1;
            }
        }
        return slot + slots - 1 <= Address.SLOTS ? Optional.of(new Address(start.universe(), slot)) : Optional.empty();
    }
}
