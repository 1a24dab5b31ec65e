package app.loculus.core.dmx;

import java.util.Arrays;
import java.util.Collections;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** The output at one moment: 512 slots for each universe in use. Immutable. */
public final class Frames {

    public static final Frames NONE = new Frames(new TreeMap<>());

    private final TreeMap<Integer, byte[]> universes;

    Frames(TreeMap<Integer, byte[]> universes) {
        this.universes = universes;
    }

    public Set<Integer> universes() {
        return Collections.unmodifiableSet(universes.keySet());
    }

    /** A copy of the 512 slots, all 0 for a universe that nothing hangs on. */
    public byte[] slots(int universe) {
        byte[] slots = universes.get(universe);
        return slots == null ? new byte[512] : slots.clone();
    }

    /** Whether a universe is the very same in another moment. */
    public boolean sameAs(Frames other, int universe) {
        return Arrays.equals(universes.get(universe), other.universes.get(universe));
    }

    /** The same moment with some slots driven by something else; the universe comes into use. */
    public Frames overlaid(int universe, int firstSlot, byte[] values) {
        TreeMap<Integer, byte[]> next = new TreeMap<>(universes);
        byte[] slots = slots(universe);
        System.arraycopy(values, 0, slots, firstSlot - 1, Math.min(values.length, slots.length - firstSlot + 1));
        next.put(universe, slots);
        return new Frames(next);
    }

    Frames with(Map<Integer, byte[]> changed, Set<Integer> inUse) {
        TreeMap<Integer, byte[]> next = new TreeMap<>(universes);
        next.putAll(changed);
        next.keySet().retainAll(inUse);
        return new Frames(next);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Frames frames
                && frames.universes.keySet().equals(universes.keySet())
                && universes.keySet().stream().allMatch(u -> sameAs(frames, u));
    }

    @Override
    public int hashCode() {
        return universes.keySet().hashCode();
    }
}
