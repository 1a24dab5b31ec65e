package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.value.AttributeValue;
import org.junit.jupiter.api.Test;

class MarksTest {

    private static Show placed(String... lines) {
        return Rig.after(
                Rig.after(Rig.everyKind(), "place 11 thru 14 at -4,2,6 thru 4,2,6", "mark \"Slip foot\" at 0, 3, 0"),
                lines);
    }

    private static Palette position(Show show, int number) {
        return show.palette(Kind.POSITION, number).orElseThrow();
    }

    private static double degrees(Show show, int palette, int number, Attribute attribute) {
        Given given = given(show, palette, number);
        return ((AttributeValue.Physical) given.values().get(attribute)).value();
    }

    private static Given given(Show show, int palette, int number) {
        return show.resolver()
                .giver()
                .give(
                        position(show, palette),
                        UnitId.whole(show.patch().number(number).id()));
    }

    @Test
    void a_position_at_a_mark_is_worked_out_by_every_head_with_a_place() {
        Show show = placed("11", "record position 1 at mark \"Slip foot\"");
        assertThat(position(show, 1).name()).isEqualTo("Slip foot");
        assertThat(degrees(show, 1, 11, Attribute.PAN)).isCloseTo(-75.9638, within(1e-4));
        assertThat(degrees(show, 1, 11, Attribute.TILT)).isCloseTo(34.4962, within(1e-4));
        assertThat(given(show, 1, 12).follows()).isEqualTo(Follows.COMPUTED);
        assertThat(given(show, 1, 12).words()).isEqualTo("aimed at “Slip foot”");
        assertThat(given(show, 1, 21).words()).isEqualTo("Par does not pan and tilt");
        Show without = Rig.after(show, "add 15 as \"Wash / extended\"");
        assertThat(given(without, 1, 15).words()).isEqualTo("it has no place on the plan");
    }

    @Test
    void moving_the_mark_moves_the_heads_and_tells_whom() {
        Show show = placed("11", "record position 1 at mark \"Slip foot\"", "clear all", "11 thru 13 position 1");
        FrameRenderer renderer = new FrameRenderer();
        renderer.render(show.scene());
        Outcome moved = Rig.say(show, "move mark \"Slip foot\" by 2, 0, 1");
        assertThat(moved.words())
                .containsExactly(
                        "Mark “Slip foot”: 0, 3, 0 → 2, 3, 1",
                        "position 1 “Slip foot” stands there; 3 heads in use move");
        assertThat(renderer.update(moved.show().scene()))
                .isEqualTo(new FrameRenderer().render(moved.show().scene()));
        assertThat(renderer.update(moved.show().scene())).isNotEqualTo(new FrameRenderer().render(show.scene()));
        Show hung = Rig.after(moved.show(), "place 11 at -4, 2, 8");
        assertThat(renderer.update(hung.scene())).isEqualTo(new FrameRenderer().render(hung.scene()));
    }

    @Test
    void the_way_a_head_takes_is_kept_whoever_looked_last() {
        Show over = placed("11 pan at 104 tilt at -34", "record position 1 at mark \"Slip foot\"", "clear all");
        assertThat(degrees(over, 1, 11, Attribute.PAN)).isCloseTo(104.0362, within(1e-4));
        Show later = Rig.after(over, "11 pan at -76 tilt at 34", "11 position 1");
        assertThat(degrees(later, 1, 11, Attribute.PAN)).isCloseTo(104.0362, within(1e-4));
        assertThat(degrees(Rig.after(over, "move mark \"Slip foot\" by 0.2, 0, 0"), 1, 11, Attribute.TILT))
                .isNegative();
    }

    @Test
    void aiming_points_the_hand_and_a_fan_spreads_it() {
        Show show = placed("11 thru 14 aim at mark \"Slip foot\"");
        Outcome fan = Rig.say(show, "11 thru 14 aim at 0, 3, 0 fan 6");
        assertThat(fan.words().get(1)).isEqualTo("Aims 4 heads at 0, 3, 0, fanned over 6 m");
        assertThat(Rig.say(placed("add 15 as \"Wash / extended\""), "11 + 15 aim at 0, 3, 0")
                        .problems()
                        .get(0)
                        .words())
                .isEqualTo("15 do not have a place on the plan and stay.");
        assertThat(Rig.say(show, "21 aim at 0, 3, 0").refused()).isTrue();
        assertThat(Rig.say(show, "11 aim at mark \"Nowhere\"")
                        .problems()
                        .get(0)
                        .waysOut()
                        .get(0)
                        .words())
                .contains("“Slip foot”");
    }

    @Test
    void a_raw_position_becomes_a_mark_where_its_beams_meet() {
        Show raw = placed(
                "11 thru 14 aim at 1, 4, 1.5", "record position 2 \"Cradle\"", "clear all", "11 thru 14 position 2");
        Outcome outcome = Rig.say(raw, "mark \"Cradle\" from position 2");
        Mark mark = outcome.show().marks().get(0);
        assertThat(mark.at().minus(new Vector3(1, 4, 1.5)).length()).isLessThan(1e-6);
        assertThat(new FrameRenderer().render(outcome.show().scene()))
                .as("nobody moves")
                .isEqualTo(new FrameRenderer().render(raw.scene()));
        assertThat(outcome.words().get(0)).contains("where the beams of 4 heads meet within 0 m");
    }

    @Test
    void a_mark_that_positions_stand_at_goes_only_with_raw_values_left_behind() {
        Show show = placed("11", "record position 1 at mark \"Slip foot\"", "clear all", "11 thru 14 position 1");
        assertThat(Rig.say(show, "delete mark \"Slip foot\"").problems().get(0).words())
                .isEqualTo("At “Slip foot” stand position 1 “Slip foot”.");
        Show gone = Rig.after(show, "delete mark \"Slip foot\" as values");
        assertThat(gone.marks()).isEmpty();
        assertThat(position(gone, 1).aim()).isEmpty();
        assertThat(new FrameRenderer().render(gone.scene())).isEqualTo(new FrameRenderer().render(show.scene()));
    }

    @Test
    void who_cannot_reach_a_mark_is_named() {
        Outcome far = Rig.say(
                placed("11", "record position 1 at mark \"Slip foot\"", "clear all"), "mark \"Slip foot\" at 0, 2, 60");
        assertThat(far.problems().get(0).words()).contains("4 heads do not reach it: 11, 12, 13, 14.");
        assertThat(Rig.say(placed(), "mark \"slip FOOT\" at 1, 1, 1").words().get(0))
                .as("the same mark")
                .contains("0, 3, 0 → 1, 1, 1");
    }
}
