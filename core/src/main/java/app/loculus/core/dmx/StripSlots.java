package app.loculus.core.dmx;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import java.util.Map;

/** Slots of one address driven by hand, slot by slot; whatever is not driven stands at home. */
public final class StripSlots {

    private StripSlots() {}

    /**
     * @param set value 0 to 255 by slot, from 1; beyond the footprint it is left out
     * @return the octets of the mode's first break
     */
    public static byte[] of(Mode mode, Map<Integer, Integer> set) {
        int first = mode.footprint().keySet().stream().findFirst().orElse(1);
        byte[] slots = new byte[mode.footprint().getOrDefault(first, 0)];
        for (Channel c : mode.channels()) {
            for (int i = 0; i < c.offsets().size() && c.breakNumber() == first; i++) {
                if (c.offsets().get(i) <= slots.length) {
                    slots[c.offsets().get(i) - 1] = (byte) c.resolution().octet(c.home(), i);
                }
            }
        }
        set.forEach((slot, value) -> {
            if (slot >= 1 && slot <= slots.length && value != null) {
                slots[slot - 1] = (byte) Math.max(0, Math.min(255, value));
            }
        });
        return slots;
    }
}
