package app.loculus.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A head that is set to turn the other way round does what the same head would do that is not. */
class InvertedLawsTest {

    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 10));
    }

    private static List<CellLight> light(Show show, Fixture fixture, Frames frames) {
        Profile profile = show.patch().profileOf(fixture);
        var mode = show.patch().modeOf(fixture);
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (PatchedAddress a : fixture.addresses()) {
            int from = a.address().slot() - 1;
            byte[] slots = frames.slots(a.address().universe());
            breaks.put(
                    a.breakNumber(),
                    Arrays.copyOfRange(slots, from, from + mode.footprint().get(a.breakNumber())));
        }
        return new SimulatedFixture(mode, mode.emitters(), Profile.byName(profile.wheels()))
                .light(breaks, fixture.inverted().pan(), fixture.inverted().tilt());
    }

    @Test
    void the_octets_of_a_turned_head_are_turned_over() {
        Show show = Rig.show("patch 11 as \"Wash / extended\" at 1.11", "11 pan at -30", "11 tilt at 45");
        byte[] before = new FrameRenderer().render(show.scene()).slots(1);
        byte[] after = new FrameRenderer()
                .render(Rig.after(show, "hang 11 invert pan").scene())
                .slots(1);
        byte[] otherSide = new FrameRenderer()
                .render(Rig.after(show, "11 pan at 30").scene())
                .slots(1);
        assertThat(after).isEqualTo(otherSide).isNotEqualTo(before);
        // −30° of −270 to 270 is 240/540 of 65535, turned over 65535 less that.
        int sent = (before[10] & 0xFF) << 8 | before[11] & 0xFF;
        int turned = (after[10] & 0xFF) << 8 | after[11] & 0xFF;
        assertThat(sent).isEqualTo(29127);
        assertThat(sent + turned).isEqualTo(65535);
    }

    @Test
    void what_is_said_in_octets_goes_out_as_said() {
        Show show = Rig.show("patch 11 as \"Wash / extended\" at 1.11", "11 pan at 0x40C8");
        Show inverted = Rig.after(show, "hang 11 invert pan");
        byte[] before = new FrameRenderer().render(show.scene()).slots(1);
        byte[] after = new FrameRenderer().render(inverted.scene()).slots(1);
        assertThat(before[10]).isEqualTo((byte) 0x40);
        assertThat(before[11]).isEqualTo((byte) 0xC8);
        assertThat(after).isEqualTo(before);
        Fixture head = inverted.patch().number(11);
        assertThat(light(inverted, head, new FrameRenderer().render(inverted.scene()))
                        .get(0)
                        .panDegrees())
                .isCloseTo(
                        -light(show, show.patch().number(11), new FrameRenderer().render(show.scene()))
                                .get(0)
                                .panDegrees(),
                        org.assertj.core.data.Offset.offset(0.01));
    }

    @Test
    void it_is_told_in_the_table_as_it_is_sent_and_taken_back_by_undo() {
        Show show = Rig.show("patch 11 as \"Wash / extended\" at 1.11", "11 pan at -30");
        Show inverted = Rig.after(show, "hang 11 invert pan and tilt");
        assertThat(inverted.patch().number(11).inverted()).hasToString("pan and tilt");
        assertThat(Rig.after(inverted, "hang 11 invert pan off tilt off")).isEqualTo(show);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void whatever_is_done_the_light_is_the_same_and_update_agrees_with_render(long seed) {
        Random random = new Random(seed);
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.after(Rig.awkward(), "place 1 thru 72 at -4,2,6 thru 4,2,6");
        FrameRenderer renderer = new FrameRenderer();
        for (int i = 0; i < 40; i++) {
            show = lines.step(show);
            for (int number : List.of(1, 2)) {
                if (random.nextInt(6) == 0 && show.patch().numbered(number).isPresent()) {
                    String way = random.nextBoolean() ? "pan" : "tilt";
                    String line = "hang " + number + " invert " + way + (random.nextBoolean() ? " off" : "");
                    var outcome = Rig.say(show, line);
                    show = outcome.refused() ? show : outcome.show();
                }
            }
            Frames updated = renderer.update(show.scene());
            assertThat(updated).as("seed %s, step %s", seed, i).isEqualTo(new FrameRenderer().render(show.scene()));
        }
        Show plain = show;
        for (Fixture f : show.patch().fixtures()) {
            if (!f.inverted().none()) {
                plain = Rig.after(plain, "hang " + f.number() + " invert pan off tilt off");
            }
        }
        Frames turned = new FrameRenderer().render(show.scene());
        Frames straight = new FrameRenderer().render(plain.scene());
        for (Fixture f : show.patch().fixtures()) {
            boolean alone =
                    show.patch().clashes().stream().noneMatch(c -> c.numbers().contains(f.number()));
            if (f.patched() && alone) {
                List<CellLight> one = light(show, f, turned);
                List<CellLight> other = light(plain, plain.patch().number(f.number()), straight);
                for (int c = 0; c < one.size(); c++) {
                    assertThat(one.get(c).panDegrees())
                            .isCloseTo(other.get(c).panDegrees(), org.assertj.core.data.Offset.offset(1e-6));
                    assertThat(one.get(c).tiltDegrees())
                            .isCloseTo(other.get(c).tiltDegrees(), org.assertj.core.data.Offset.offset(1e-6));
                    assertThat(one.get(c).intensity()).isEqualTo(other.get(c).intensity());
                }
            }
        }
    }
}
