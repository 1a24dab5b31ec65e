package app.loculus.core.dmx;

import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** Slots of one address driven by hand, slot by slot; whatever is not driven stands at home. */
public final class StripSlots {

    private StripSlots() {}

    /**
     * @param set value 0 to 255 by slot, from 1; beyond the footprint it is left out
     * @return the octets of the mode's first break, 0 to 255
     */
    public static List<Integer> of(Mode mode, Map<Integer, Integer> set) {
        int first = mode.footprint().keySet().stream().findFirst().orElse(1);
        int[] slots = new int[mode.footprint().getOrDefault(first, 0)];
        for (Channel c : mode.channels()) {
            for (int i = 0; i < c.offsets().size() && c.breakNumber() == first; i++) {
                if (c.offsets().get(i) <= slots.length) {
                    slots[c.offsets().get(i) - 1] = c.resolution().octet(c.home(), i) & 0xFF;
                }
            }
        }
        set.forEach((slot, value) -> {
            if (slot >= 1 && slot <= slots.length && value != null) {
                slots[slot - 1] = Math.max(0, Math.min(255, value));
            }
        });
        return Arrays.stream(slots).boxed().toList();
    }
}
