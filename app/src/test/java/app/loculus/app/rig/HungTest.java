package app.loculus.app.rig;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class HungTest {

    private static final Profiles PROFILES = ShippedProfiles.all();

    private static Hung hung(String type, boolean dead, PatchedAddress... addresses) {
        Profiles.Type t = PROFILES.type(type);
        SimulatedFixture fixture = new SimulatedFixture(
                t.mode(), t.mode().emitters(), Profile.byName(t.profile().wheels()));
        return new Hung(
                new FixtureId(7),
                7,
                new Hung.Sort(t.profile(), t.mode(), fixture),
                List.of(addresses),
                Optional.empty(),
                Inverted.NONE,
                Optional.empty(),
                new Hung.State(dead, true, false, Optional.empty(), Optional.empty()));
    }

    private static PatchedAddress at(int breakNumber, int universe, int slot) {
        return new PatchedAddress(breakNumber, new Address(universe, slot), false);
    }

    /** Universe 3 with one slot up. */
    private static IntFunction<byte[]> slotUp(int slot, int value) {
        return universe -> {
            byte[] slots = new byte[universe == 3 ? 512 : 0];
            if (universe == 3) {
                slots[slot - 1] = (byte) value;
            }
            return slots;
        };
    }

    @Test
    void it_reads_the_slots_it_hangs_at() {
        assertThat(hung("House Dimmer", false, at(1, 3, 17))
                        .light(slotUp(17, 255))
                        .get(0)
                        .intensity())
                .isEqualTo(1);
        assertThat(hung("House Dimmer", false, at(1, 3, 18))
                        .light(slotUp(17, 255))
                        .get(0)
                        .intensity())
                .isZero();
        assertThat(hung("House Dimmer", false, at(1, 4, 17))
                        .light(slotUp(17, 255))
                        .get(0)
                        .intensity())
                .isZero();
    }

    @Test
    void a_dead_one_gives_nothing_and_one_without_an_address_neither() {
        assertThat(hung("House Dimmer", true, at(1, 3, 17))
                        .light(slotUp(17, 255))
                        .get(0)
                        .intensity())
                .isZero();
        assertThat(hung("House Dimmer", false).light(slotUp(17, 255)).get(0).intensity())
                .isZero();
    }

    /** D65 behind a filter that lets 60 % through at x 0.45, y 0.41 is that, and no brighter. */
    @Test
    void what_hangs_behind_a_gel_has_its_colour_and_less_light() {
        Hung bare = hung("House Dimmer", false, at(1, 3, 17));
        Gel gel = new Gel(new Chromaticity(0.45, 0.41), 60);
        Hung gelled = new Hung(
                bare.id(),
                bare.number(),
                bare.sort(),
                bare.addresses(),
                bare.pose(),
                bare.inverted(),
                Optional.of(gel),
                bare.state());
        CellLight before = bare.light(slotUp(17, 255)).get(0);
        CellLight behind = gelled.light(slotUp(17, 255)).get(0);
        assertThat(behind.intensity()).isEqualTo(before.intensity());
        assertThat(behind.light().y()).isCloseTo(before.light().y() * 0.6, Offset.offset(1e-9));
        assertThat(gel.through(Chromaticity.D65.withLuminance(100))
                        .chromaticity()
                        .orElseThrow()
                        .x())
                .isCloseTo(0.45, Offset.offset(1e-9));
        Gel tooBright = new Gel(new Chromaticity(0.65, 0.33), 100);
        assertThat(tooBright.through(Chromaticity.D65.withLuminance(100)).x())
                .as("a filter adds nothing")
                .isLessThanOrEqualTo(Chromaticity.D65.withLuminance(100).x() + 1e-9);
    }

    @Test
    void each_break_is_read_from_its_own_address() {
        Hung scroller = hung("Bosun Scroller", false, at(1, 3, 1), at(2, 3, 100));
        double white = scroller.light(slotUp(100, 0))
                .get(0)
                .hue()
                .chromaticity()
                .orElseThrow()
                .x();
        double amber = scroller.light(slotUp(100, 100))
                .get(0)
                .hue()
                .chromaticity()
                .orElseThrow()
                .x();
        assertThat(amber).isNotEqualTo(white);
        assertThat(scroller.listensTo(3)).isTrue();
        assertThat(scroller.listensTo(4)).isFalse();
    }

    @Test
    void a_universe_that_ends_before_its_last_slot_reads_as_dark_there() {
        IntFunction<byte[]> shortUniverse = universe -> new byte[] {(byte) 255};
        assertThat(hung("House Dimmer", false, at(1, 3, 1))
                        .light(shortUniverse)
                        .get(0)
                        .intensity())
                .isEqualTo(1);
        assertThat(hung("House Dimmer", false, at(1, 3, 2))
                        .light(shortUniverse)
                        .get(0)
                        .intensity())
                .isZero();
        assertThat(hung("Tideline Batten / 38-slot", false, at(1, 3, 1)).light(shortUniverse))
                .hasSize(13);
    }
}
