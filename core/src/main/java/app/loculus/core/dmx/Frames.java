package app.loculus.core.dmx;

import app.loculus.core.resolve.Layer;
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

    /** The same moment with some slots driven by hand; their universe comes into use. */
    Frames under(Layer.Driven driven) {
        byte[] slots = slots(driven.at().universe());
        int first = driven.at().slot() - 1;
        for (int i = 0; i < driven.octets().size() && first + i < slots.length; i++) {
            slots[first + i] = driven.octets().get(i).byteValue();
        }
        TreeMap<Integer, byte[]> next = new TreeMap<>(universes);
        next.put(driven.at().universe(), slots);
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
