package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.show.Show;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Effects as they go out, against figures worked out by hand. */
class EffectsTest {

    /** Eight dimmers at slots 1 to 8, selected. */
    private static Show eight(String... lines) {
        return Rig.after(
                Rig.of(Rig.DIMMER),
                java.util.stream.Stream.concat(
                                java.util.stream.Stream.of("patch 5 thru 8 as \"Dimmer / 1-slot\" at 1.5", "1 thru 8"),
                                java.util.stream.Stream.of(lines))
                        .toArray(String[]::new));
    }

    private static Show washes(String... lines) {
        return Rig.of(Rig.WASH, lines);
    }

    private static int[] octets(double... percents) {
        return java.util.Arrays.stream(percents)
                .mapToInt(p -> (int) Math.floor(p / 100 * 255 + .5))
                .toArray();
    }

    /** Sixteen bits from two slots. */
    private static int wide(Stage stage, double at, int slot) {
        int[] two = stage.slots(at, slot, 2);
        return two[0] << 8 | two[1];
    }

    private static double pan(Stage stage, double at, int head) {
        return wide(stage, at, 12 * (head - 1) + 1) / 65535.0 * 540 - 270;
    }

    private static double tilt(Stage stage, double at, int head) {
        return wide(stage, at, 12 * (head - 1) + 3) / 65535.0 * 270 - 135;
    }

    @Test
    void eight_units_round_the_circle_stand_where_the_rules_say() {
        Stage sine = new Stage(eight("sine of dimmer at 20 thru 80 rate 30 offset round"));
        assertThat(sine.slots(.5, 1, 8)).containsExactly(octets(80, 71.2132, 50, 28.7868, 20, 28.7868, 50, 71.2132));
        Stage ramp = new Stage(eight("ramp of dimmer at 20 thru 80 rate 30 offset round"));
        assertThat(ramp.slots(.5, 1, 8)).containsExactly(octets(35, 42.5, 50, 57.5, 65, 72.5, 20, 27.5));
    }

    @ParameterizedTest
    @CsvSource({
        // form, at 0, ⅛, ¼, ½, ¾ of a round between 0 and 100
        "sine, 50, 85.3553, 100, 50, 0",
        "triangle, 50, 75, 100, 50, 0",
        "ramp, 0, 12.5, 25, 50, 75",
        "fall, 100, 87.5, 75, 50, 25",
        "square, 100, 100, 100, 0, 0"
    })
    void waveforms_have_their_corners(String form, double p0, double p1, double p2, double p3, double p4) {
        Stage stage = new Stage(eight(form + " of dimmer at 0 thru 100 rate 60"));
        double[] at = {0, .125, .25, .5, .75};
        double[] wanted = {p0, p1, p2, p3, p4};
        for (int i = 0; i < at.length; i++) {
            assertThat(stage.slots(at[i], 1, 1)[0]).as(form + " at " + at[i]).isEqualTo(octets(wanted[i])[0]);
        }
    }

    @Test
    void a_square_is_up_for_its_duty() {
        Stage stage = new Stage(eight("square of dimmer at 10 thru 90 duty 25 rate 60"));
        assertThat(stage.percent(.24, 1)).isEqualTo(90);
        assertThat(stage.percent(.26, 1)).isEqualTo(10);
    }

    @Test
    void over_a_round_the_middle_is_the_mean() {
        for (String form : new String[] {"sine", "triangle", "ramp", "fall", "square"}) {
            Stage stage = new Stage(washes("1 thru 4", form + " of dimmer at 30 thru 70 rate 60"));
            double mean = IntStream.range(0, 400)
                    .map(i -> wide(stage, (i + .5) / 400, 5))
                    .average()
                    .orElseThrow();
            assertThat(mean / 65535).as(form).isCloseTo(.5, within(1e-4));
        }
    }

    @Test
    void random_is_one_value_a_round_and_the_same_again() {
        String line = "random of dimmer at 0 thru 100 rate 60 seed 7";
        Stage stage = new Stage(eight(line));
        int[] first = stage.slots(0, 1, 8);
        assertThat(stage.slots(.99, 1, 8)).as("within the round").containsExactly(first);
        assertThat(stage.slots(1.01, 1, 8)).as("in the next").isNotEqualTo(first);
        assertThat(new Stage(eight(line)).slots(.5, 1, 8)).containsExactly(first);
        assertThat(IntStream.of(first).distinct().count()).as("unit by unit").isGreaterThan(5);
        double mean = IntStream.range(0, 500)
                .flatMap(i -> IntStream.of(stage.slots(i + .5, 1, 8)))
                .average()
                .orElseThrow();
        assertThat(mean).isCloseTo(127.5, within(5.0));
    }

    @Test
    void offsets_run_along_the_steps_in_blocks_mirrored_and_backwards() {
        assertThat(new Stage(eight("ramp of dimmer at 0 thru 80 rate 0 offset round blocks of 2")).slots(0, 1, 8))
                .containsExactly(octets(0, 0, 20, 20, 40, 40, 60, 60));
        assertThat(new Stage(eight("ramp of dimmer at 0 thru 80 rate 0 offset round mirror")).slots(0, 1, 8))
                .containsExactly(octets(0, 20, 40, 60, 60, 40, 20, 0));
        assertThat(new Stage(eight("ramp of dimmer at 0 thru 64 rate 0 offset round reverse")).slots(0, 1, 8))
                .containsExactly(octets(56, 48, 40, 32, 24, 16, 8, 0));
        assertThat(new Stage(eight("ramp of dimmer at 0 thru 90 rate 0 offset 0 thru 70")).slots(0, 1, 8))
                .containsExactly(octets(0, 9, 18, 27, 36, 45, 54, 63));
        assertThat(new Stage(eight("ramp of dimmer at 0 thru 80 rate 0 offset round 2")).slots(0, 1, 8))
                .containsExactly(octets(0, 20, 40, 60, 0, 20, 40, 60));
    }

    @Test
    void around_what_lies_below_it_goes_around_what_is_set_and_stops_at_the_ends() {
        Stage stage = new Stage(eight("at 50", "sine of dimmer size 40 rate 60"));
        assertThat(stage.slots(.25, 1, 1)).containsExactly(octets(70));
        assertThat(stage.slots(.75, 1, 1)).containsExactly(octets(30));
        stage.edit(1, "1 at 90");
        assertThat(stage.slots(1.25, 1, 2)).as("goes on around what is set").containsExactly(octets(100, 70));
        stage.edit(2, "1 thru 8 effects off");
        assertThat(stage.slots(2.25, 1, 2)).containsExactly(octets(90, 50));
    }

    @Test
    void a_nudge_goes_from_what_is_moved_around_and_not_from_where_it_is_just_now() {
        Stage stage = new Stage(washes("1 pan at 30 tilt at 10", "1 circle of position size 20 rate 60"));
        stage.edit(5.1, "1 nudge pan by 5");
        assertThat(pan(stage, 6.25, 1)).isCloseTo(35, within(.01));
        stage.edit(7.1, "1 flip");
        assertThat(tilt(stage, 8, 1)).isCloseTo(-10, within(.01));
    }

    @Test
    void between_is_ended_by_a_value() {
        Stage stage = new Stage(eight("sine of dimmer at 20 thru 80 rate 60")).edit(1, "1 at 10");
        assertThat(stage.slots(1.25, 1, 2)).containsExactly(octets(10, 80));
    }

    @Test
    void a_circle_has_pan_a_quarter_ahead_of_tilt_and_an_eight_tilt_twice_as_fast() {
        String centre = "1 thru 4 pan at 30 tilt at -20";
        Stage circle = new Stage(washes(centre, "circle of position size 20 rate 60"));
        for (double at : new double[] {0, .1, .25, .4, .8}) {
            double turn = 2 * Math.PI * at;
            assertThat(pan(circle, at, 1)).isCloseTo(30 + 10 * Math.cos(turn), within(.01));
            assertThat(tilt(circle, at, 1)).isCloseTo(-20 + 10 * Math.sin(turn), within(.01));
        }
        Stage eight = new Stage(washes(centre, "eight of position size 20 rate 60"));
        assertThat(pan(eight, .125, 1)).isCloseTo(30 + 10 * Math.sqrt(.5), within(.01));
        assertThat(tilt(eight, .125, 1)).isCloseTo(-10, within(.01));
        Stage line = new Stage(washes(centre, "line of position size 20 turned 90 rate 60"));
        assertThat(pan(line, .25, 1)).isCloseTo(30, within(.01));
        assertThat(tilt(line, .25, 1)).isCloseTo(-10, within(.01));
        Stage square = new Stage(washes(centre, "square of position size 20 rate 60"));
        assertThat(pan(square, .125, 1)).isCloseTo(40, within(.01));
        assertThat(tilt(square, .125, 1)).isCloseTo(-10, within(.01));
        assertThat(tilt(square, .0625, 1)).as("half way up the side").isCloseTo(-15, within(.01));
    }

    @Test
    void around_a_mark_every_head_works_out_its_own_angles() {
        Show show = washes(
                "place 1 thru 4 at -3,0,6 thru 3,0,6",
                "mark \"Slip foot\" at 0, 4, 0",
                "1 thru 4",
                "circle of position size 2 around mark \"Slip foot\" rate 60");
        Stage stage = new Stage(show);
        for (int head = 1; head <= 4; head++) {
            double x = -3 + 2.0 * (head - 1);
            for (double at : new double[] {0, .2, .5, .85}) {
                // Where the beam meets the floor: the head hangs with its axis down, pan turns it about that.
                double pan = Math.toRadians(pan(stage, at, head));
                double tilt = Math.toRadians(tilt(stage, at, head));
                double reach = 6 * Math.tan(tilt);
                double hitX = x - reach * Math.sin(pan);
                double hitY = reach * Math.cos(pan);
                assertThat(hitX).as("x of " + head).isCloseTo(Math.cos(2 * Math.PI * at), within(.02));
                assertThat(hitY).as("y of " + head).isCloseTo(4 + Math.sin(2 * Math.PI * at), within(.02));
            }
        }
    }

    @Test
    void a_run_stays_and_crossfades_into_the_next_over_the_last_share() {
        Show show = eight(
                "at 0",
                "record intensity 1 \"Out\"",
                "at 60",
                "record intensity 2 \"Some\"",
                "at 100",
                "record intensity 3 \"Full\"",
                "clear all",
                "1 thru 8 run intensity 1 thru 3 rate 20 crossfade 50");
        Stage stage = new Stage(show);
        // 3 s a round, 1 s a stay, the last half second of it into the next.
        assertThat(stage.slots(.25, 1, 1)).containsExactly(octets(0));
        assertThat(stage.slots(.75, 1, 1)).containsExactly(octets(30));
        assertThat(stage.slots(1.4, 1, 1)).containsExactly(octets(60));
        assertThat(stage.slots(1.75, 1, 1)).containsExactly(octets(80));
        assertThat(stage.slots(2.75, 1, 1)).as("round again").containsExactly(octets(50));
        stage.edit(3, "clear all", "1 thru 8 at 40", "record intensity 2 replace", "clear all");
        stage = new Stage(Rig.after(stage.show(), "1 thru 8 run intensity 1 thru 3 rate 20 crossfade 50"));
        assertThat(stage.slots(1.4, 1, 1)).as("a palette is followed").containsExactly(octets(40));
    }

    @Test
    void a_run_through_colours_moves_the_whole_mix_and_holds_nothing_plain() {
        Show show = Rig.of(
                Rig.WASH,
                "1 thru 4 at full red at 100 ColorAdd_G at 0 ColorAdd_B at 0 ColorAdd_W at 0",
                "record colour 1 \"Red\"",
                "1 thru 4 red at 0 ColorAdd_B at 100",
                "record colour 2 \"Blue\"",
                "clear all",
                "1 thru 4 run colour 1 + 2 rate 60 crossfade 50",
                "record look 1 \"Run\"");
        Stage stage = new Stage(show);
        // Slots 7 to 10: red, green, blue, white. Half a second a stay, the last quarter into the next.
        assertThat(stage.slots(.1, 7, 4)).containsExactly(255, 0, 0, 0);
        assertThat(stage.slots(.375, 7, 4)).containsExactly(128, 0, 128, 0);
        assertThat(stage.slots(.6, 7, 4)).containsExactly(0, 0, 255, 0);
        assertThat(app.loculus.core.edit.look.Plain.of(show, show.looks().get(0).values()))
                .isEmpty();
    }

    @Test
    void a_wave_on_one_emitter_touches_the_rest_of_the_mix_where_it_is() {
        Show show = Rig.of(
                Rig.PAR,
                "1 at full red at 40 ColorAdd_G at 60 ColorAdd_B at 20",
                "1 sine of red at 0 thru 100 rate 60");
        Stage stage = new Stage(show);
        assertThat(stage.slots(.25, 1, 3)).containsExactly(255, 153, 51);
        assertThat(stage.slots(.75, 1, 3)).containsExactly(0, 153, 51);
        stage.edit(1, "1 ColorAdd_B at 80");
        assertThat(stage.slots(1.25, 1, 3))
                .as("another emitter, and red goes on")
                .containsExactly(255, 153, 204);
    }

    @Test
    void an_effect_between_palettes_follows_them() {
        Show show = washes(
                "1 thru 4 pan at -40 tilt at 10",
                "record position 1 \"Left\"",
                "1 thru 4 pan at 40 tilt at 30",
                "record position 2 \"Right\"",
                "clear all",
                "1 thru 4 sine of position at position 1 thru position 2 rate 60");
        Stage stage = new Stage(show);
        assertThat(pan(stage, .25, 2)).isCloseTo(40, within(.01));
        assertThat(tilt(stage, .75, 2)).isCloseTo(10, within(.01));
        assertThat(pan(stage, 0, 2)).isCloseTo(0, within(.01));
    }

    @Test
    void a_recorded_one_is_referred_to_and_rate_and_size_are_overruled_where_it_is_used() {
        Show show = eight(
                "sine of dimmer at 20 thru 80 rate 30",
                "record effect 3 \"Swell\"",
                "clear all",
                "1 effect 3",
                "2 effect 3 rate 60 size 20",
                "1 + 2");
        Stage stage = new Stage(show);
        assertThat(stage.slots(.25, 1, 2)).containsExactly(octets(50 + 30 * Math.sqrt(.5), 60));
        stage.edit(1, "edit effect 3 at 0 thru 100 rate 15");
        assertThat(stage.slots(1, 1, 1)).as("goes on from where it is").containsExactly(octets(50));
        assertThat(stage.slots(2, 1, 1)).as("at its new rate").containsExactly(octets(0));
    }

    @Test
    void a_cue_brings_an_effect_in_and_takes_it_out_without_a_jump() {
        Show show = washes(
                "1 thru 4 at 40 pan at 20 tilt at 0",
                "record cue 1 in 1",
                "clear all",
                "1 thru 4 circle of position size 40 rate 60 offset round",
                "record cue 2 in 2",
                "clear all",
                "1 thru 4 pan at 100 tilt at 50",
                "record cue 3 in 1",
                "clear all");
        Stage stage = new Stage(show).press(0, "go").press(2, "go");
        assertThat(pan(stage, 2, 1)).isCloseTo(20, within(.01));
        assertThat(pan(stage, 3, 1)).as("half in at a whole round").isCloseTo(20 + 10, within(.01));
        assertThat(pan(stage, 5, 1)).as("around what an earlier cue set").isCloseTo(40, within(.01));
        assertThat(pan(stage, 5.25, 1)).isCloseTo(20, within(.01));
        double before = tilt(stage, 5.5, 3);
        stage.press(5.5, "go");
        assertThat(tilt(stage, 5.5, 3)).as("no jump").isCloseTo(before, within(.01));
        assertThat(pan(stage, 8, 3)).isCloseTo(100, within(.01));
        assertThat(stage.playing(9).next(Stage.micros(9))).as("still now").isEqualTo(Long.MAX_VALUE);
    }

    @Test
    void in_a_list_intensity_moves_around_the_highest_of_the_others() {
        Show show = eight(
                "at 50",
                "record cue 1",
                "clear all",
                "list 2 \"Waves\"",
                "1 thru 8 sine of dimmer size 40 rate 60",
                "record cue 1 of list 2",
                "clear all");
        Stage stage = new Stage(show).press(0, "go").press(1, "go list 2");
        assertThat(stage.slots(1.25, 1, 1)).containsExactly(octets(70));
        assertThat(stage.slots(1.75, 1, 1)).containsExactly(octets(30));
        stage.press(2, "level list 2 at 50");
        assertThat(stage.slots(2.25, 1, 1)).as("at half its level").containsExactly(octets(60));
    }

    @Test
    void a_submaster_scales_the_light_that_its_effect_makes() {
        Show show = eight("square of dimmer at 0 thru 100 rate 60", "record submaster 1 \"Blink\"", "clear all");
        Stage stage = new Stage(show).press(0, "submaster 1 at 50");
        assertThat(stage.percent(.2, 3)).isEqualTo(50);
        assertThat(stage.percent(.7, 3)).isZero();
    }

    @ParameterizedTest
    @ValueSource(longs = {3, 17, 99})
    void frame_by_frame_is_as_from_scratch(long seed) {
        Random random = new Random(seed);
        Show show = Rig.after(
                Rig.everyKind(),
                "all at 40",
                "record cue 1 in 2",
                "all colour xy 0.3, 0.4",
                "record colour 1 \"A\"",
                "all colour xy 0.5, 0.35",
                "record colour 2 \"B\"",
                "clear all",
                "all sine of dimmer at 10 thru 90 offset round",
                "record effect 1 \"Swell\"",
                "11 thru 14 circle of position size 30 offset round",
                "all run colour 1 + 2 rate 40",
                "record cue 2 in 1",
                "clear all",
                "list 2 \"Chase\" as chase",
                "1 + 51 random of dimmer size 30",
                "record cue 1 of list 2",
                "clear all",
                "31 square of dimmer at 0 thru 100",
                "record submaster 1 \"Blink\"",
                "clear all",
                "61 effect 1 rate 90");
        Stage stage = new Stage(show);
        FrameRenderer going = new FrameRenderer();
        String[] presses = {"go", "go list 2", "submaster 1 at 70", "back", "release list 2", "pause", "master at 80"};
        String[] edits = {"edit effect 1 rate 50", "11 effect 1", "13 pan at 40", "edit effect 1 at 30 thru 60", "clear"
        };
        double at = 0;
        for (int i = 0; i < 150; i++) {
            at += random.nextDouble() * .3;
            if (random.nextInt(9) == 0) {
                stage.press(at, presses[random.nextInt(presses.length)]);
            }
            if (random.nextInt(15) == 0) {
                stage.edit(at, edits[random.nextInt(edits.length)]);
            }
            Frames full = new FrameRenderer().render(stage.scene(at));
            assertThat(going.update(stage.scene(at))).as("frame " + i).isEqualTo(full);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {5, 23})
    void no_change_of_rate_makes_a_jump(long seed) {
        Random random = new Random(seed);
        Stage stage = new Stage(
                washes("1 thru 4", "sine of dimmer at 0 thru 100 rate 30 offset round", "record effect 1 \"Swell\""));
        stage.edit(0, "1 thru 4");
        double at = 100;
        for (int i = 0; i < 60; i++) {
            int before = wide(stage, at, 5);
            stage.edit(at, "edit effect 1 rate " + random.nextInt(120));
            assertThat(wide(stage, at, 5)).isCloseTo(before, within(2));
            at += random.nextDouble();
        }
    }

    @Test
    void what_is_paused_stands_still_with_its_effects_and_goes_on_from_there() {
        Show show = eight("sine of dimmer at 0 thru 100 rate 15", "record effect 1", "record cue 1 in 0", "clear all");
        Stage stage = new Stage(show).press(0, "go");
        int[] stood = stage.slots(1, 1, 1);
        stage.press(1, "pause");
        assertThat(stage.slots(3, 1, 1)).containsExactly(stood);
        stage.press(9, "pause");
        assertThat(stage.slots(9, 1, 1)).containsExactly(stood);
        assertThat(stage.slots(10, 1, 1))
                .containsExactly(new Stage(show).press(0, "go").slots(2, 1, 1));
    }

    @Test
    void the_same_effect_in_the_next_cue_goes_on_in_its_round() {
        Show show = eight(
                "sine of dimmer at 0 thru 100 rate 15",
                "record effect 1",
                "record cue 1 in 0",
                "record cue 2 in 0",
                "clear all");
        Stage one = new Stage(show).press(0, "go");
        Stage two = new Stage(show).press(0, "go").press(1.3, "go");
        assertThat(two.slots(2.1, 1, 8)).containsExactly(one.slots(2.1, 1, 8));
    }

    @Test
    void ending_an_effect_between_two_levels_gives_back_what_was_set_before() {
        Show show = eight("1 thru 8 at 35", "sine of dimmer at 20 thru 80 rate 30", "effects off");
        assertThat(Rig.slots(show, 8)).containsOnly(89);
    }
}
