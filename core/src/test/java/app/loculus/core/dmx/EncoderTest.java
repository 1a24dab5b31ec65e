package app.loculus.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.show.Show;
import org.junit.jupiter.api.Test;

class EncoderTest {

    private static int[] slots(Show show, int universe, int from, int count) {
        byte[] all = new FrameRenderer().render(show.scene()).slots(universe);
        int[] out = new int[count];
        for (int i = 0; i < count; i++) {
            out[i] = all[from - 1 + i] & 0xFF;
        }
        return out;
    }

    private static int wide(Show show, int slot) {
        int[] octets = slots(show, 1, slot, 2);
        return octets[0] << 8 | octets[1];
    }

    /** The angles that hit 0,3,0 from −4,2,6; rounded to four places the tilt would fall one step short. */
    @Test
    void pan_and_tilt_go_out_in_16_bits() {
        Show show = Rig.after(Rig.everyKind(), "11 pan at -75.96375653 tilt at 34.49623729");
        assertThat(wide(show, 11)).isEqualTo(23548);
        assertThat(wide(show, 13)).isEqualTo(41141);
    }

    @Test
    void halves_round_up() {
        Show show = Rig.after(Rig.everyKind(), "1 at 50", "11 at 50");
        assertThat(slots(show, 1, 1, 1)).containsExactly(128);
        assertThat(wide(show, 15)).isEqualTo(32768);
    }

    @Test
    void a_fixture_without_a_dimmer_is_dimmed_in_its_emitters_and_dark_at_home() {
        assertThat(slots(Rig.everyKind(), 1, 101, 3)).containsExactly(0, 0, 0);
        Show show = Rig.after(Rig.everyKind(), "21 at full red at 50 blue at 0", "21 at 50");
        assertThat(slots(show, 1, 101, 3)).containsExactly(64, 128, 0);
    }

    @Test
    void cells_are_set_alone_or_all_together_under_the_master() {
        Show show =
                Rig.after(Rig.everyKind(), "51 at full", "51 ColorAdd_R at 0", "51.2 ColorAdd_G at 0", "51.3 at 50");
        assertThat(slots(show, 2, 1, 13)).containsExactly(255, 0, 255, 255, 0, 0, 255, 0, 128, 128, 0, 255, 255);
    }

    @Test
    void a_named_range_is_met_inside_its_own_span() {
        Show show = Rig.after(Rig.everyKind(), "41 Color1 at \"Red\"");
        assertThat(slots(show, 1, 212, 1)[0]).isBetween(10, 19);
    }

    @Test
    void all_addresses_of_a_fixture_get_the_same_and_shared_slots_the_higher() {
        Show show = Rig.after(Rig.everyKind(), "patch 1 at 1.9 also", "1 at full");
        assertThat(slots(show, 1, 1, 1)).isEqualTo(slots(show, 1, 9, 1)).containsExactly(255);
        Show shared = Rig.after(show, "patch 2 as \"Dimmer / 1-slot\" at 1.9 share", "2 at 10");
        assertThat(slots(shared, 1, 9, 1)).containsExactly(255);
        assertThat(slots(Rig.after(shared, "1 at out"), 1, 9, 1)).containsExactly(26);
    }

    @Test
    void highlight_shows_what_is_in_hand_and_nothing_else() {
        Show show = Rig.after(Rig.everyKind(), "1 highlight on".replace("1 ", ""), "1");
        assertThat(slots(show, 1, 1, 1)).containsExactly(255);
        assertThat(slots(show, 1, 101, 3)).containsExactly(0, 0, 0);
        assertThat(slots(Rig.after(show, "highlight off"), 1, 1, 1)).containsExactly(0);
    }
}
