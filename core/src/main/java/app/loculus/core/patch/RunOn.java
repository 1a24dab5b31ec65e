package app.loculus.core.patch;

import java.util.ArrayList;
import java.util.List;

/** Addresses that follow one another by footprint; nothing straddles two universes. */
public final class RunOn {

    private Address next;
    private final int gap;
    private final List<Address> crossings = new ArrayList<>();
    private boolean begun;

    /** @param gap free slots to leave between one footprint and the next */
    public RunOn(Address start, int gap) {
        this.next = start;
        this.gap = gap;
    }

    /** The address for the next footprint. */
    public Address take(int slots) {
        if (!next.fits(slots)) {
            next = next.nextUniverse();
            if (begun) {
                crossings.add(next);
            }
        }
        begun = true;
        Address taken = next;
        next = taken.after(slots + gap);
        return taken;
    }

    /** Where runs began again at slot 1 because a footprint would have crossed slot 512. */
    public List<Address> crossings() {
        return List.copyOf(crossings);
    }
}
