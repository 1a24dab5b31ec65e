package app.loculus.app.rig;

import app.loculus.core.geometry.Pose;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
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
 * @param addresses those it listens at
 * @param inverted which ways it turns the other way round
 * @param gel what is in front of it
 */
public record Hung(
        FixtureId id,
        int number,
        Sort sort,
        List<PatchedAddress> addresses,
        Optional<Pose> pose,
        Inverted inverted,
        Optional<Gel> gel,
        State state) {

    /** What it is and in which mode. */
    record Sort(Profile profile, Mode mode, SimulatedFixture fixture) {}

    /**
     * How it differs from the patch.
     *
     * @param dead whether it gives no light and no answer whatever it receives
     * @param asPatched whether its addresses are those in the patch
     * @param hidden whether what is wrong with it is to be found, so that nobody is told
     * @param twin the fixture whose identity its devices have
     * @param stray where another one of its type hangs that nobody has patched
     */
    record State(boolean dead, boolean asPatched, boolean hidden, Optional<FixtureId> twin, Optional<Address> stray) {

        static final State RIGHT = new State(false, true, false, Optional.empty(), Optional.empty());
    }

    /** Whether a person may be told that it is dead. */
    public boolean knownDead() {
        return state.dead() && !state.hidden();
    }

    /** Whether a person may be told that it hangs elsewhere. */
    public boolean knownElsewhere() {
        return !state.asPatched() && !state.hidden();
    }

    public boolean hidden() {
        return state.hidden();
    }

    boolean listensTo(int universe) {
        return addresses.stream().anyMatch(a -> a.address().universe() == universe);
    }

    /** @param received slots of a universe, fewer than 512 or none when nothing came */
    List<CellLight> light(IntFunction<byte[]> received) {
        Map<Integer, Integer> footprint = sort.mode().footprint();
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (PatchedAddress a : addresses) {
            byte[] slots =
                    state.dead() ? new byte[0] : received.apply(a.address().universe());
            breaks.putIfAbsent(
                    a.breakNumber(), cut(slots, a.address().slot() - 1, footprint.getOrDefault(a.breakNumber(), 0)));
        }
        List<CellLight> lights = sort.fixture().light(breaks, inverted.pan(), inverted.tilt());
        return gel.map(g -> lights.stream().map(l -> l.behind(g::through)).toList())
                .orElse(lights);
    }

    private static byte[] cut(byte[] slots, int from, int count) {
        byte[] out = new byte[count];
        for (int i = 0; i < count && from + i < slots.length; i++) {
            out[i] = slots[from + i];
        }
        return out;
    }
}
