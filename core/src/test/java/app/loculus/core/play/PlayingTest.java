package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.show.Show;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlayingTest {

    /** Four dimmers at slots 1 to 4. */
    private static Show dimmers(String... lines) {
        return Rig.of(Rig.DIMMER, lines);
    }

    private static Show threeCues() {
        return dimmers(
                "1 at 100",
                "record cue 1 in 0",
                "clear all",
                "1 at 40",
                "record cue 2 in 4 out 4",
                "clear all",
                "1 at 80",
                "record cue 3 in 3",
                "clear all");
    }

    @Test
    void a_press_in_the_middle_of_a_fade_goes_on_from_where_it_is() {
        Stage stage = new Stage(threeCues()).press(0, "go").press(10, "go");
        assertThat(stage.percent(10, 1)).isEqualTo(100);
        assertThat(stage.percent(11, 1)).isEqualTo(85);
        assertThat(stage.percent(12, 1)).isEqualTo(70);
        stage.press(12, "go");
        assertThat(stage.percent(12, 1)).as("no jump").isEqualTo(70);
        assertThat(stage.percent(13.5, 1)).isEqualTo(75);
        assertThat(stage.slots(15, 1, 1)[0]).as("its end is exact").isEqualTo(204);
    }

    @Test
    void what_is_not_set_is_carried_on_or_falls_out_where_cues_stand_alone() {
        Show show = dimmers("1 at 100", "record cue 1 in 0", "clear all", "2 at 60", "record cue 2 in 2", "clear all");
        Stage carrying = new Stage(show).press(0, "go").press(1, "go");
        assertThat(carrying.slots(3, 1, 2)).containsExactly(255, 153);
        Stage alone = new Stage(Rig.after(show, "list 1 standing alone"))
                .press(0, "go")
                .press(1, "go");
        assertThat(alone.percent(2, 1)).as("on its way out").isEqualTo(50);
        assertThat(alone.slots(3, 1, 2)).containsExactly(0, 153);
    }

    @Test
    void jumping_to_a_cue_is_playing_to_it() {
        Show show = dimmers(
                "1 thru 4 at 20",
                "record cue 1 in 1",
                "clear all",
                "2 at 50",
                "record cue 2 in 2",
                "clear all",
                "3 at 90",
                "record cue 3 in 1 wait 1",
                "clear all",
                "1 at out",
                "record cue 4 out 3",
                "clear all");
        Stage played =
                new Stage(show).press(0, "go").press(.3, "go").press(.6, "go").press(.9, "go");
        Stage jumped = new Stage(show).press(0, "jump to cue 4");
        assertThat(played.slots(20, 1, 4)).containsExactly(jumped.slots(20, 1, 4));
        assertThat(jumped.press(20, "jump to cue 2").slots(30, 1, 4)).containsExactly(51, 128, 51, 51);
        assertThat(jumped.press(30, "back").slots(40, 1, 4)).containsExactly(51, 51, 51, 51);
    }

    @Test
    void between_lists_the_highest_counts_for_intensity_and_the_latest_for_the_rest() {
        Show show = Rig.of(
                Rig.WASH,
                "1 at 80 pan at -100",
                "record cue 1",
                "clear all",
                "list 2 \"Other\"",
                "1 at 50 pan at 90",
                "record cue 1 of list 2",
                "clear all");
        Stage stage = new Stage(show).press(0, "go list 1").press(1, "go list 2");
        assertThat(level(stage, 2)).isCloseTo(.8, within(1e-4));
        assertThat(pan(stage, 2)).isCloseTo(90, within(.01));
        stage.press(3, "go list 1").press(3, "jump to cue 1 of list 1");
        assertThat(pan(stage, 4)).as("the latest").isCloseTo(-100, within(.01));
        stage.press(5, "release list 1");
        assertThat(pan(stage, 6)).as("half way back to what lies below").isCloseTo(-5, within(.1));
        assertThat(pan(stage, 8)).isCloseTo(90, within(.01));
        assertThat(level(stage, 8)).isCloseTo(.5, within(1e-4));
    }

    private static double pan(Stage stage, double at) {
        int[] slots = stage.slots(at, 1, 2);
        return (slots[0] * 256 + slots[1]) / 65535.0 * 540 - 270;
    }

    private static double level(Stage stage, double at) {
        int[] slots = stage.slots(at, 5, 2);
        return (slots[0] * 256 + slots[1]) / 65535.0;
    }

    @ParameterizedTest
    @ValueSource(strings = {"1 2", "2 1"})
    void two_lists_released_in_any_order_end_at_what_lies_below(String order) {
        Show show = Rig.of(
                Rig.WASH,
                "1 + 2 at 80 pan at -100",
                "record cue 1",
                "clear all",
                "list 2 \"Other\"",
                "1 at 50 pan at 90",
                "record cue 1 of list 2",
                "clear all");
        Stage stage = new Stage(show).press(0, "go list 1").press(1, "go list 2");
        double at = 2;
        for (String list : order.split(" ")) {
            stage.press(at, "release list " + list);
            at += .7;
        }
        assertThat(stage.frames(10)).isEqualTo(new Stage(show).frames(0));
        assertThat(stage.playing(10).nothing()).isTrue();
    }

    @Test
    void the_programmer_lies_above_and_blind_keeps_it_from_the_output() {
        Stage stage = new Stage(dimmers("1 at 100", "record cue 1", "clear all", "1 + 2 at 30")).press(0, "go");
        assertThat(stage.slots(1, 1, 2)).containsExactly(77, 77);
        stage.press(1, "blind on");
        assertThat(stage.slots(2, 1, 2)).containsExactly(255, 0);
        stage.edit(2, "2 at 70");
        assertThat(stage.slots(2, 1, 2)).containsExactly(255, 0);
        stage.press(3, "blind off");
        assertThat(stage.slots(3, 1, 2)).containsExactly(77, 179);
    }

    @Test
    void a_list_has_a_level_and_so_has_everything() {
        Stage stage = new Stage(dimmers("1 at 80", "record cue 1", "clear all", "2 at 100"))
                .press(0, "go", "level list 1 at 50");
        assertThat(stage.slots(1, 1, 2)).containsExactly(102, 255);
        stage.press(2, "master at 50");
        assertThat(stage.slots(3, 1, 2)).containsExactly(51, 128);
    }

    @Test
    void pausing_holds_a_fade_and_going_on_finishes_it() {
        Stage stage = new Stage(threeCues()).press(0, "go").press(10, "go").press(11, "pause");
        assertThat(stage.percent(100, 1)).isEqualTo(85);
        stage.press(100, "pause");
        assertThat(stage.percent(101, 1)).isEqualTo(70);
        assertThat(stage.percent(103, 1)).isEqualTo(40);
    }

    @Test
    void a_cue_that_starts_by_itself_does_so_at_its_time_however_late_anybody_looks() {
        Show show = Rig.after(threeCues(), "cue 1 next 2 after begin", "cue 2 next 1 after end", "cue 3 wait 1");
        Stage stage = new Stage(show).press(0, "go");
        // Cue 2 at 2, its end at 6, cue 3 at 7, moving from 8 to 11.
        assertThat(stage.percent(4, 1)).isEqualTo(70);
        assertThat(stage.percent(7.9, 1)).isEqualTo(40);
        assertThat(stage.percent(9.5, 1)).isEqualTo(60);
        assertThat(stage.percent(1000, 1)).isEqualTo(80);
        Stage looking = new Stage(show).press(0, "go");
        for (double t = 0; t < 9.5; t += .0227) {
            looking.frames(t);
        }
        assertThat(looking.frames(9.5)).isEqualTo(stage.frames(9.5));
    }

    @Test
    void four_steps_as_a_chase_come_in_one_over_the_other() {
        Show show = dimmers(
                "1 at 100",
                "record cue 1",
                "clear all",
                "2 at 100",
                "record cue 2",
                "clear all",
                "3 at 100",
                "record cue 3",
                "clear all",
                "4 at 100",
                "record cue 4",
                "clear all",
                "list 1 as chase standing alone rate 60 crossfade 50");
        Stage stage = new Stage(show).press(0, "go");
        assertThat(stage.slots(2.25, 1, 4)).containsExactly(0, 128, 128, 0);
        assertThat(stage.slots(2.75, 1, 4)).containsExactly(0, 0, 255, 0);
        assertThat(stage.slots(4.75, 1, 4)).containsExactly(255, 0, 0, 0);
        stage.press(5.1, "pause");
        assertThat(stage.frames(50)).isEqualTo(stage.frames(5.1));
        stage.press(50, "pause");
        assertThat(stage.slots(50.65, 1, 4)).as("it kept its place").containsExactly(0, 255, 0, 0);
        stage.press(51, "jump to cue 4");
        assertThat(stage.slots(51.7, 1, 4)).containsExactly(0, 0, 0, 255);
        assertThat(stage.slots(52.7, 1, 4)).as("and goes on from there").containsExactly(255, 0, 0, 0);
        stage.press(53, "tempo list 1 at 120");
        assertThat(stage.slots(53.4, 1, 4)).containsExactly(0, 255, 0, 0);
        assertThat(stage.slots(53.9, 1, 4)).containsExactly(0, 0, 255, 0);
    }

    @Test
    void a_chase_becomes_a_list_and_back_without_loss() {
        Show show = dimmers(
                "1 at 100",
                "record cue 1 in 3",
                "clear all",
                "2 at 100",
                "record cue 2 in 2",
                "clear all",
                "list 1 as chase standing alone");
        Show back = Rig.after(show, "list 1 as list", "list 1 as chase");
        assertThat(back).isEqualTo(show);
        Stage stage = new Stage(show).press(0, "go").edit(1.9, "list 1 as list");
        assertThat(stage.slots(10, 1, 2)).as("it stays at its step").containsExactly(0, 255);
        stage.press(10, "back");
        assertThat(stage.slots(11.5, 1, 2)).as("cue 1 in three seconds").containsExactly(128, 128);
    }

    @Test
    void another_rate_of_the_list_counts_at_once_from_where_the_chase_stands() {
        Show show = dimmers(
                "1 at 100",
                "record cue 1",
                "clear all",
                "2 at 100",
                "record cue 2",
                "clear all",
                "3 at 100",
                "record cue 3",
                "clear all",
                "list 1 as chase standing alone rate 60 crossfade 0");
        Stage stage = new Stage(show).press(0, "go").edit(1.5, "list 1 rate 30");
        assertThat(stage.slots(1.5, 1, 3)).as("no jump").containsExactly(0, 255, 0);
        assertThat(stage.slots(2.4, 1, 3)).containsExactly(0, 255, 0);
        assertThat(stage.slots(2.6, 1, 3)).containsExactly(0, 0, 255);
        stage.press(3, "tempo list 1 at 600").edit(3.1, "list 1 crossfade 10");
        assertThat(stage.playing(3.1).next(Stage.micros(3.1)))
                .as("what is played goes on when something else is set")
                .isLessThan(Stage.micros(3.3));
        Stage shorter = new Stage(show).press(0, "go").edit(2.5, "delete cue 1");
        assertThat(shorter.slots(2.6, 1, 3)).as("the same step as before").containsExactly(0, 0, 255);
        assertThat(shorter.slots(3.6, 1, 3)).containsExactly(0, 255, 0);
    }

    @Test
    void a_submaster_scales_intensity_and_the_rest_stands_as_soon_as_it_leaves_nothing() {
        Show show = Rig.of(Rig.WASH, "1 at 80 pan at 90", "record submaster 4 \"Gallery\"", "clear all");
        Stage stage = new Stage(show).press(0, "submaster 4 at 50");
        assertThat(level(stage, 1)).isCloseTo(.4, within(1e-4));
        assertThat(pan(stage, 1)).isCloseTo(90, within(.01));
        stage.press(2, "submaster 4 at out");
        assertThat(stage.frames(3)).isEqualTo(new Stage(show).frames(0));
    }

    @Test
    void a_group_fader_lies_over_what_lights_the_group() {
        Show show = dimmers("1 + 2", "record group 7 \"Pair\"", "1 at 80", "record cue 1", "clear all");
        Stage stage = new Stage(show).press(0, "go", "level group 7 at 50");
        assertThat(stage.slots(1, 1, 3)).containsExactly(204, 128, 0);
        stage.edit(2, "edit group 7 + 3");
        assertThat(stage.slots(2, 1, 3)).as("who is in it now").containsExactly(204, 128, 128);
    }

    @Test
    void a_palette_that_changes_is_followed_while_it_fades() {
        Show show = dimmers(
                "1 at 100", "record intensity 5", "clear all", "1 intensity 5", "record cue 1 in 4", "clear all");
        Stage stage = new Stage(show).press(0, "go");
        assertThat(stage.percent(2, 1)).isEqualTo(50);
        stage.edit(2, "1 at 60", "record intensity 5 replace", "clear all");
        assertThat(stage.percent(2, 1)).isEqualTo(30);
        assertThat(stage.percent(5, 1)).isEqualTo(60);
    }

    @Test
    void a_palette_has_a_time_of_its_own() {
        Show show = dimmers(
                "1 at 100",
                "record intensity 5",
                "clear all",
                "time intensity 5 at 2",
                "1 intensity 5",
                "record cue 1",
                "clear all");
        Stage stage = new Stage(show).press(0, "go");
        assertThat(stage.percent(1, 1)).isEqualTo(50);
        assertThat(new Stage(Rig.after(show, "cue 1 in 0")).press(0, "go").percent(0, 1))
                .as("a time of the cue goes before it")
                .isEqualTo(100);
    }

    @Test
    void wheels_jump_when_the_wait_is_over() {
        Show show = Rig.of(
                Rig.BEAM,
                "1 at 100",
                "record cue 1",
                "clear all",
                "1 Color1 at \"" + wheelSlot() + "\"",
                "record cue 2 in 4 wait 1",
                "clear all");
        Stage stage = new Stage(show).press(0, "go").press(1, "go");
        int before = stage.slots(1.9, 2, 1)[0];
        int after = stage.slots(2.01, 2, 1)[0];
        assertThat(before).isEqualTo(stage.slots(.5, 2, 1)[0]);
        assertThat(after).isNotEqualTo(before).isEqualTo(stage.slots(9, 2, 1)[0]);
    }

    private static String wheelSlot() {
        return Rig.BEAM
                .modes()
                .get(0)
                .channels()
                .get(1)
                .functions()
                .get(0)
                .ranges()
                .get(2)
                .name();
    }

    @Test
    void a_chase_takes_the_tempo_that_is_tapped() {
        Show show = Rig.after(threeCues(), "list 1 as chase", "list 1 rate 30");
        Stage stage = new Stage(show).press(0, "go list 1");
        for (double at = 4; at < 6.1; at += .5) {
            stage.press(at, "tap list 1");
        }
        double rate = Runs.of(stage.playing(6.1), Stage.micros(6.1), show.repertoire())
                .all()
                .get(0)
                .rate();
        assertThat(rate).isBetween(119.0, 121.0);
    }

    @Test
    void cues_that_are_edited_deleted_and_moved_while_they_play() {
        Stage stage = new Stage(threeCues()).press(0, "jump to cue 2");
        stage.edit(10, "1 at 10", "update cue 2");
        assertThat(stage.percent(10, 1)).as("it is followed at once").isEqualTo(10);
        stage.edit(11, "delete cue 2");
        assertThat(stage.percent(11, 1))
                .as("its light stands until the next press")
                .isEqualTo(10);
        stage.press(12, "go");
        assertThat(stage.percent(20, 1)).as("the one behind it").isEqualTo(80);
        stage.edit(20, "delete list 1");
        assertThat(stage.percent(20, 1)).as("no light is cut off").isEqualTo(80);
        assertThat(stage.percent(21, 1)).as("it lets go in 2 s").isBetween(35L, 45L);
        assertThat(stage.percent(22.1, 1)).isZero();
        assertThat(stage.playing(22.1).runs()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void whatever_is_pressed_no_fade_jumps_and_the_same_presses_give_the_same_frames(int seed) {
        Random random = new Random(seed);
        Show show = dimmers(
                "1 thru 4 at 20 thru 100",
                "record cue 1 in 2",
                "clear all",
                "1 at 100",
                "record cue 2 in 2 out 3",
                "clear all",
                "2 thru 4 at 70 thru 0",
                "record cue 3 in 2.5 out 2 wait 0.2",
                "clear all",
                "list 2 \"Other\"",
                "1 + 3 at 60",
                "record cue 1 of list 2 in 2",
                "clear all",
                "2 at 90",
                "record cue 2 of list 2 in 3 out 2",
                "clear all",
                random.nextBoolean() ? "list 1 standing alone" : "list 1 carrying on");
        String[] lines = {
            "go",
            "go list 2",
            "back",
            "jump to cue 1",
            "jump to cue 3",
            "release list 1",
            "release list 2",
            "pause",
            "release everything"
        };
        Stage one = new Stage(show);
        Stage other = new Stage(show);
        FrameRenderer incremental = new FrameRenderer();
        int[] before = one.slots(0, 1, 4);
        double at = 0;
        for (int i = 0; i < 400; i++) {
            at = i * .025;
            if (random.nextInt(12) == 0) {
                String line = lines[random.nextInt(lines.length)];
                one.press(at, line);
                other.press(at, line);
            }
            int[] now = one.slots(at, 1, 4);
            for (int slot = 0; slot < 4; slot++) {
                // The steepest is all of it in two seconds.
                assertThat(Math.abs(now[slot] - before[slot])).as("at %s", at).isLessThanOrEqualTo(7);
            }
            before = now;
            assertThat(incremental.update(one.scene(at))).as("at %s", at).isEqualTo(one.frames(at));
        }
        assertThat(other.frames(at)).as("without looking in between").isEqualTo(one.frames(at));
    }

    @Test
    void a_press_on_one_list_while_another_holds_the_same_goes_on_from_what_is_seen() {
        Show show = Rig.of(
                Rig.WASH,
                "1 at 80 pan at -200",
                "record cue 1 in 0",
                "clear all",
                "1 pan at 0",
                "record cue 2 in 4",
                "clear all",
                "1 pan at -100",
                "record cue 3 in 4",
                "clear all",
                "list 2 \"Other\"",
                "1 pan at 200",
                "record cue 1 of list 2 in 4",
                "clear all");
        Stage stage =
                new Stage(show).press(0, "go list 1").press(10, "go list 1").press(11, "go list 2");
        double seen = pan(stage, 13);
        assertThat(seen).as("on its way to the other's").isBetween(-150.0, 150.0);
        stage.press(13, "go list 1");
        assertThat(pan(stage, 13)).isCloseTo(seen, within(.01));
        assertThat(pan(stage, 15)).isCloseTo((seen - 100) / 2, within(.01));
        assertThat(pan(stage, 17)).isCloseTo(-100, within(.01));
    }

    @Test
    void a_cue_that_stands_is_known_by_identity() {
        Stage stage = new Stage(threeCues()).press(0, "jump to cue 2");
        stage.edit(10, "renumber cues from 10 by 10", "delete cue 20");
        assertThat(stage.percent(10, 1)).as("its light stays").isEqualTo(40);
        assertThat(stage.press(11, "go").percent(20, 1))
                .as("to the one behind it")
                .isEqualTo(80);
        stage.press(20, "back");
        assertThat(stage.percent(30, 1)).as("the one before both").isEqualTo(100);
    }

    @Test
    void a_cue_that_is_split_stands_whole_also_where_cues_stand_alone() {
        for (String join : new String[] {"list 1 carrying on", "list 1 standing alone"}) {
            Show show = Rig.of(Rig.WASH, "1 at 80 pan at -100", "record cue 1 in 2 rest 4", "clear all", join);
            Stage stage = new Stage(show).press(0, "go").edit(10, "split cue 1 with position");
            assertThat(pan(stage, 10)).as(join).isCloseTo(-100, within(.01));
            assertThat(level(stage, 10)).as(join).isCloseTo(.8, within(1e-4));
            Stage again = new Stage(Rig.after(stage.show(), "cue 1.1 rest 8"));
            again.press(0, "go");
            assertThat(level(again, 1)).as(join).isCloseTo(.4, within(1e-4));
            assertThat(pan(again, 4)).as("in a time of its own, " + join).isCloseTo(-50, within(.01));
            assertThat(pan(again, 9)).as(join).isCloseTo(-100, within(.01));
            assertThat(level(again, 9)).as(join).isCloseTo(.8, within(1e-4));
        }
    }

    @Test
    void light_whose_home_is_full_falls_in_the_time_in_which_light_goes_out() {
        Show show = Rig.of(Rig.BLINK, "1 at 50", "record cue 1 in 1 out 10", "clear all");
        Stage stage = new Stage(show).press(0, "go");
        assertThat(stage.percent(5, 1)).isEqualTo(75);
        assertThat(stage.percent(10, 1)).isEqualTo(50);
    }

    @Test
    void a_name_of_a_range_snaps_when_a_chase_is_left_or_is_silent_about_it() {
        Show show = Rig.of(
                Rig.BLINK,
                "1 Shutter1Strobe at 50",
                "1 at 40",
                "record cue 1",
                "clear all",
                "1 Shutter1 at \"Closed\"",
                "record cue 2",
                "clear all",
                "list 1 standing alone",
                "list 1 as chase",
                "list 1 release 4");
        Stage stage = new Stage(show).press(0, "go").press(2.5, "pause").press(3, "jump to cue 2");
        assertThat(stage.slots(3, 2, 1)[0]).as("the jump moves the stage").isEqualTo(15);
        stage.press(4, "release list 1");
        assertThat(stage.slots(4.5, 2, 1)[0]).as("left at once").isEqualTo(40);
    }

    @Test
    void what_starts_after_the_end_counts_the_time_of_a_palette() {
        Show show = Rig.of(
                Rig.WASH,
                "1 colour xy 0.4, 0.4",
                "record colour 1",
                "time colour 1 at 6",
                "clear all",
                "1 colour 1",
                "record cue 1 in 1",
                "clear all",
                "1 at 50",
                "record cue 2 in 0",
                "cue 1 next 0 after end",
                "clear all");
        Stage stage = new Stage(show).press(0, "go");
        assertThat(level(stage, 5.9)).isZero();
        assertThat(level(stage, 6.1)).isCloseTo(.5, within(1e-4));
    }

    @Test
    void a_recipe_by_light_is_who_is_lit_now_whatever_plays() {
        Show show = dimmers(
                "2 + 3 at 50",
                "record cue 1",
                "clear all",
                "4 at 10",
                "all where lit",
                "record group 1 as recipe",
                "clear all");
        Stage stage = new Stage(show);
        assertThat(lit(stage, 0)).isEmpty();
        stage.press(1, "go");
        assertThat(lit(stage, 2)).containsExactly("2", "3");
        stage.edit(2, "1 at 20", "record group 2 \"More\"");
        assertThat(lit(stage, 2)).containsExactly("1", "2", "3");
        stage.press(3, "release list 1");
        assertThat(lit(stage, 9)).containsExactly("1");
    }

    private static java.util.List<String> lit(Stage stage, double at) {
        Show seen = stage.show().playing(java.util.List.of(stage.playing(at).layer(Stage.micros(at))));
        return seen.units(seen.groups().get(0)).units().stream()
                .map(seen::label)
                .toList();
    }
}
