package app.loculus.core.patch;

import java.util.ArrayList;
import java.util.List;

/** Addresses that follow one another by footprint; nothing straddles two universes. */
public final class RunOn {

    private Address last;
    private int advance;
    private final int gap;
    private final List<Address> crossings = new ArrayList<>();
    private boolean begun;

    /** @param gap free slots to leave between one footprint and the next */
    public RunOn(Address start, int gap) {
        this.last = start;
        this.gap = gap;
    }

    /** The address for the next footprint; behind the very last slot there is only none for a next one. */
    public Address take(int slots) {
        Address wanted = begun ? last.after(advance) : last;
        if (!wanted.fits(slots)) {
            wanted = wanted.nextUniverse();
            crossings.add(wanted);
        }
        begun = true;
        last = wanted;
        advance = slots + gap;
        return wanted;
    }

    /** Where runs began again at slot 1 because a footprint would have crossed slot 512. */
    public List<Address> crossings() {
        return List.copyOf(crossings);
    }
}
