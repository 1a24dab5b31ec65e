package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.desk.ValueRows;
import app.loculus.core.show.Show;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Mode channels come along at values that work, whatever function of theirs those fall in. */
class MastersTest {

    private static Profile odd(int cells, Channel... channels) {
        return Rig.profile("Odd", Rig.mode("odd", cells, channels));
    }

    private static Channel needing(String attribute, int cell, ModeMaster master) {
        return Rig.channel(attribute, cell, 0, Rig.function(attribute, 0, 255, 0, 1, master));
    }

    /** A wheel whose functions end at 99, 199 and 255. */
    private static Channel wheel() {
        return Rig.channel(
                "Gobo1",
                0,
                0,
                Rig.function("Gobo1", 0, 99, 0, 1, null),
                Rig.function("Gobo1WheelSpin", 100, 199, -1, 1, null),
                Rig.function("Gobo1WheelShake", 200, 255, 0, 1, null));
    }

    private static int[] wheelAfter(ModeMaster needed, String... lines) {
        return Rig.slots(Rig.of(odd(0, wheel(), needing("Gobo1Pos", 0, needed)), lines), 2);
    }

    @Test
    void a_range_in_another_function_of_the_master_is_met() {
        ModeMaster spin = new ModeMaster("Head_Gobo1", 100, 199);
        assertThat(wheelAfter(spin, "1 Gobo1Pos at 100")).containsExactly(149, 255);
        ModeMaster across = new ModeMaster("Head_Gobo1", 70, 150);
        assertThat(wheelAfter(across, "1 Gobo1Pos at 100")).containsExactly(110, 255);
        ModeMaster top = new ModeMaster("Head_Gobo1", 128, 255);
        assertThat(wheelAfter(top, "1 Gobo1Pos at 100")).containsExactly(255, 255);
    }

    @Test
    void a_master_that_is_inside_stays_where_it_is() {
        ModeMaster spin = new ModeMaster("Head_Gobo1", 100, 199);
        assertThat(wheelAfter(spin, "1 Gobo1WheelSpin at 30", "1 Gobo1Pos at 100"))
                .containsExactly(130, 255);
        assertThat(wheelAfter(spin, "1 Gobo1 at 120 dmx", "1 Gobo1Pos at 100")).containsExactly(120, 255);
        assertThat(wheelAfter(spin, "1 Gobo1 at 220 dmx", "1 Gobo1Pos at 100")).containsExactly(149, 255);
    }

    @Test
    void a_master_needs_its_own_master() {
        Channel first = Rig.channel("Control1", 0, 0, Rig.function("Control1", 0, 255, 0, 1, null));
        Channel second = Rig.channel(
                "Control2", 0, 0, Rig.function("Control2", 0, 255, 0, 1, new ModeMaster("Head_Control1", 200, 210)));
        Profile chain = odd(0, first, second, needing("Zoom", 0, new ModeMaster("Head_Control2", 128, 255)));
        assertThat(Rig.slots(Rig.of(chain, "1 zoom at 100"), 3)).containsExactly(205, 255, 255);
    }

    @Test
    void a_master_in_a_cell_is_that_cells_own() {
        ModeMaster mode = new ModeMaster("Head_ColorMixMode", 128, 255);
        Profile cells = odd(
                2,
                Rig.channel("ColorMixMode", 1, 0, Rig.function("ColorMixMode", 0, 255, 0, 1, null)),
                needing("Zoom", 1, mode),
                Rig.channel("ColorMixMode", 2, 0, Rig.function("ColorMixMode", 0, 255, 0, 1, null)),
                needing("Zoom", 2, mode));
        assertThat(Rig.slots(Rig.of(cells, "1.2 zoom at 100"), 4)).containsExactly(0, 0, 255, 255);
    }

    @Test
    void home_goes_out_as_it_is_though_all_functions_have_masters() {
        ModeMaster master = new ModeMaster("Head_Control1", 0, 127);
        Profile masters = odd(
                0,
                Rig.channel("Control1", 0, 0, Rig.function("Control1", 0, 255, 0, 1, null)),
                Rig.channel(
                        "Gobo1",
                        0,
                        200,
                        Rig.function("Gobo1", 0, 127, 0, 1, master),
                        Rig.function("Gobo1", 128, 255, 0, 1, master)));
        assertThat(Rig.slots(Rig.of(masters), 2)).containsExactly(0, 200);
        assertThat(Rig.slots(Rig.of(masters, "1", "home"), 2)).containsExactly(0, 200);
    }

    @Test
    void a_lamp_of_ultraviolet_alone_has_a_dimmer() {
        Profile uv = odd(0, needing("ColorAdd_UV", 0, null));
        assertThat(Rig.slots(Rig.of(uv), 1)).containsExactly(0);
        assertThat(Rig.slots(Rig.of(uv, "1 at 50"), 1)).containsExactly(128);
    }

    @Test
    void what_runs_down_is_lit_at_its_lower_end() {
        Channel inverted = Rig.channel("ColorAdd_R", 0, 0, Rig.function("ColorAdd_R", 0, 255, 1, 0, null));
        Channel upright = Rig.channel("ColorAdd_G", 0, 255, Rig.function("ColorAdd_G", 0, 255, 0, 1, null));
        Show half = Rig.of(odd(0, inverted, upright), "1 at 50");
        assertThat(Rig.slots(half, 2)).containsExactly(128, 128);
        assertThat(Rig.slots(Rig.of(odd(0, inverted, upright)), 2)).containsExactly(255, 0);
    }

    @Test
    void a_dimmer_that_runs_down_is_lit_at_full() {
        Profile lamp = odd(0, Rig.channel("Dimmer", 0, 255, Rig.function("Dimmer", 0, 255, 1, 0, null)));
        Show full = Rig.of(lamp, "1 at full");
        assertThat(Rig.slots(full, 1)).containsExactly(0);
        assertThat(Rig.slots(Rig.of(lamp), 1)).as("home").containsExactly(255);
        assertThat(Rig.slots(Rig.of(lamp, "1 at 25"), 1)).containsExactly(191);
        assertThat(Rig.slots(Rig.of(lamp, "1 at 100 dmx"), 1)).containsExactly(100);
        Mode mode = lamp.modes().get(0);
        SimulatedFixture simulated = new SimulatedFixture(mode, mode.emitters(), Map.of());
        assertThat(simulated.light(Map.of(1, new byte[] {0})).get(0).intensity())
                .isEqualTo(1);
        assertThat(simulated.light(Map.of(1, new byte[] {(byte) 255})).get(0).intensity())
                .isZero();
        assertThat(new ValueRows(Rig.after(full, "1")).rows().get(0).low()).isEqualTo(100);
    }

    @Test
    void flags_that_run_down_mix_the_same_light() {
        Channel[] flags = java.util.stream.Stream.of("C", "M", "Y")
                .map(f -> Rig.channel("ColorSub_" + f, 0, 255, Rig.function("ColorSub_" + f, 0, 255, 1, 0, null)))
                .toArray(Channel[]::new);
        int[] slots = Rig.slots(Rig.of(odd(0, flags), "1 colour xy 0.6, 0.35"), 3);
        byte[] sent = {(byte) slots[0], (byte) slots[1], (byte) slots[2]};
        Mode mode = odd(0, flags).modes().get(0);
        SimulatedFixture simulated = new SimulatedFixture(mode, mode.emitters(), Map.of());
        assertThat(slots[0]).as("no cyan in red").isEqualTo(255);
        assertThat(simulated
                        .light(Map.of(1, sent))
                        .get(0)
                        .hue()
                        .chromaticity()
                        .orElseThrow()
                        .differenceTo(new Chromaticity(.6, .35))
                        .deltaUv())
                .isLessThan(0.01);
    }
}
