package app.loculus.app.rig;

import app.loculus.core.geometry.Pose;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;

/**
 * One fixture of the rig as it really hangs.
 *
 * @param footprint slots by break
 * @param dead whether it gives no light whatever it receives
 * @param asPatched whether its address is the one in the patch
 * @param hidden whether what is wrong with it is to be found, so that nobody is told
 */
public record Hung(
        int number,
        SimulatedFixture fixture,
        Map<Integer, Integer> footprint,
        List<PatchedAddress> addresses,
        Optional<Pose> pose,
        boolean dead,
        boolean asPatched,
        boolean hidden) {

    /** Whether a person may be told that it is dead. */
    public boolean knownDead() {
        return dead && !hidden;
    }

    /** Whether a person may be told that it hangs elsewhere. */
    public boolean knownElsewhere() {
        return !asPatched && !hidden;
    }

    boolean listensTo(int universe) {
        return addresses.stream().anyMatch(a -> a.address().universe() == universe);
    }

    /** @param received slots of a universe, fewer than 512 or none when nothing came */
    List<CellLight> light(IntFunction<byte[]> received) {
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (PatchedAddress a : addresses) {
            byte[] slots = dead ? new byte[0] : received.apply(a.address().universe());
            breaks.putIfAbsent(
                    a.breakNumber(), cut(slots, a.address().slot() - 1, footprint.getOrDefault(a.breakNumber(), 0)));
        }
        return fixture.light(breaks);
    }

    private static byte[] cut(byte[] slots, int from, int count) {
        byte[] out = new byte[count];
        for (int i = 0; i < count && from + i < slots.length; i++) {
            out[i] = slots[from + i];
        }
        return out;
    }
}
