package app.loculus.core.patch;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Who holds which slot, while many fixtures land one after the other. Not for sharing between threads. */
public final class Occupancy {

    private final Map<Integer, Claim[]> holders = new HashMap<>();

    public Occupancy(Patch patch) {
        patch.claims().values().stream().flatMap(List::stream).forEach(this::add);
    }

    /** Where slots are held already, the first holder keeps them. */
    public void add(Claim claim) {
        Claim[] slots = holders.computeIfAbsent(claim.universe(), u -> new Claim[Address.SLOTS + 1]);
        for (int slot = claim.first(); slot <= Math.min(claim.last(), Address.SLOTS); slot++) {
            if (slots[slot] == null) {
                slots[slot] = claim;
            }
        }
    }

    /** The first claim that this one would run into. */
    public Optional<Claim> inTheWayOf(Claim wanted) {
        Claim[] slots = holders.get(wanted.universe());
        for (int slot = wanted.first(); slots != null && slot <= Math.min(wanted.last(), Address.SLOTS); slot++) {
            if (slots[slot] != null) {
                return Optional.of(slots[slot]);
            }
        }
        return Optional.empty();
    }

    /** The lowest address from {@code start} on where all slots are free within one universe. */
    public Optional<Address> nextGap(Address start, int slots) {
        Optional<Address> found = slots > Address.SLOTS ? Optional.empty() : inUniverse(start, slots);
        int last = slots > Address.SLOTS ? 0 : Address.LAST_UNIVERSE;
        for (int universe = start.universe() + 1; found.isEmpty() && universe <= last; universe++) {
            found = inUniverse(new Address(universe, 1), slots);
        }
        return found;
    }

    private Optional<Address> inUniverse(Address from, int slots) {
        Claim[] held = holders.get(from.universe());
        int free = 0;
        for (int slot = from.slot(); slot <= Address.SLOTS; slot++) {
            free = held == null || held[slot] == null ? free + 1 : 0;
            if (free == Math.max(1, slots)) {
                return Optional.of(new Address(from.universe(), slot - free + 1));
            }
        }
        return Optional.empty();
    }
}
