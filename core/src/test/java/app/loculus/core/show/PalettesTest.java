package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.value.AttributeValue;
import org.junit.jupiter.api.Test;

class PalettesTest {

    private static Show recorded() {
        return Rig.after(Rig.everyKind(), "11 thru 14 colour xy 0.25, 0.39", "record colour 12 \"Verdigris\"");
    }

    private static Palette palette(Show show) {
        return show.palette(Kind.COLOUR, 12).orElseThrow();
    }

    private static Given given(Show show, int number, int cell) {
        return show.resolver()
                .giver()
                .give(palette(show), new UnitId(show.patch().number(number).id(), cell));
    }

    private static double level(Given given, String attribute) {
        return ((AttributeValue.Level) given.values().get(new Attribute(attribute)))
                .fraction()
                .value();
    }

    @Test
    void units_that_agree_record_globally_with_the_intent() {
        Palette palette = palette(recorded());
        assertThat(palette.narrowest()).isEqualTo(Scope.GLOBAL);
        assertThat(palette.entries()).hasSize(4);
        assertThat(palette.intent()
                        .orElseThrow()
                        .differenceTo(new app.loculus.core.colour.Chromaticity(.25, .39))
                        .grade())
                .isEqualTo(ColourDifference.Grade.EXACT);
    }

    @Test
    void each_kind_of_fixture_reaches_the_colour_its_own_way() {
        Show show = recorded();
        assertThat(given(show, 11, 0).follows()).isEqualTo(Follows.GLOBAL);
        assertThat(given(show, 21, 0).follows()).isEqualTo(Follows.COMPUTED);
        assertThat(level(given(show, 21, 0), "ColorAdd_R")).isBetween(0.4204, 0.4206);
        assertThat(given(show, 31, 0).follows()).isEqualTo(Follows.COMPUTED);
        assertThat(level(given(show, 31, 0), "Color1")).as("wheel stays closed").isZero();
        assertThat(given(show, 41, 0).words()).isEqualTo("slot 3 “Jade”");
        assertThat(given(show, 41, 0).difference().orElseThrow().grade())
                .isEqualTo(ColourDifference.Grade.NEEDS_AN_EYE);
        assertThat(given(show, 51, 2).follows()).isEqualTo(Follows.COMPUTED);
        assertThat(given(show, 1, 0).follows()).isEqualTo(Follows.NONE);
        assertThat(given(show, 1, 0).words()).contains("Dimmer has neither mix nor wheel");
    }

    @Test
    void a_mode_channel_comes_along_when_applied() {
        Show show = Rig.after(recorded(), "61 colour 12");
        UnitId panel = UnitId.whole(show.patch().number(61).id());
        assertThat(show.programmer().of(panel).get(new Attribute("ColorMixMode")))
                .isPresent();
    }

    @Test
    void global_values_on_a_fixture_with_more_emitters_close_them_and_say_the_difference() {
        Show show = Rig.after(Rig.everyKind(), "21 thru 23 colour xy 0.25, 0.39", "record colour 12 \"From pars\"");
        Given wash = given(show, 11, 0);
        assertThat(wash.follows()).isEqualTo(Follows.GLOBAL);
        assertThat(level(wash, "ColorAdd_W")).isZero();
        assertThat(wash.difference().orElseThrow().grade()).isEqualTo(ColourDifference.Grade.EXACT);
    }

    @Test
    void applying_with_unlike_units_warns_of_who_does_not_follow() {
        Outcome outcome = Rig.say(recorded(), "1 + 11 + 31 + 41 colour 12");
        assertThat(outcome.refused()).isFalse();
        assertThat(outcome.problems().get(0).words()).contains("Dimmer");
        assertThat(Rig.say(recorded(), "1 colour 12").refused()).isTrue();
    }

    @Test
    void references_follow_the_palette_and_plain_values_do_not() {
        Show show = Rig.after(recorded(), "21 colour 12", "22 colour 12 as values", "clear all");
        Show applied = Rig.after(
                recorded(),
                "21 colour 12",
                "22 colour 12 as values",
                "11 thru 14 red at 100",
                "record colour 12 replace");
        Attribute green = new Attribute("ColorAdd_G");
        UnitId follower = UnitId.whole(applied.patch().number(21).id());
        UnitId copy = UnitId.whole(applied.patch().number(22).id());
        assertThat(applied.programmer().of(follower).get(green).orElseThrow().value())
                .isInstanceOf(AttributeValue.Reference.class);
        assertThat(applied.programmer().of(copy).get(green).orElseThrow().value())
                .isInstanceOf(AttributeValue.Level.class);
        assertThat(show.programmer().values()).isEmpty();
    }

    @Test
    void deleting_a_palette_leaves_its_values_behind() {
        Show show = Rig.after(recorded(), "21 colour 12");
        UnitId par = UnitId.whole(show.patch().number(21).id());
        Outcome outcome = Rig.say(show, "delete colour 12");
        assertThat(outcome.words().get(0)).contains("1 unit keeps its values as plain ones");
        assertThat(outcome.show()
                        .programmer()
                        .of(par)
                        .get(new Attribute("ColorAdd_G"))
                        .orElseThrow()
                        .value())
                .isInstanceOf(AttributeValue.Level.class);
    }

    @Test
    void scope_follows_what_the_values_support() {
        Show types = Rig.after(Rig.everyKind(), "11 thru 14 + 21 colour xy 0.25, 0.39", "record colour 12");
        assertThat(palette(types).narrowest()).isEqualTo(Scope.PER_TYPE);
        Show units = Rig.after(Rig.everyKind(), "11 thru 14 red at 0 thru 90", "record colour 12");
        assertThat(palette(units).narrowest()).isEqualTo(Scope.PER_FIXTURE);
        Show level = Rig.after(Rig.everyKind(), "1 at 50", "record intensity 1");
        assertThat(level.palettes().get(0).narrowest()).isEqualTo(Scope.PER_FIXTURE);
        Outcome refused = Rig.say(Rig.after(Rig.everyKind(), "11 + 12 red at 0 thru 90"), "record colour 12 global");
        assertThat(refused.problems().get(0).words()).contains("ColorAdd_R differs between 11, 12");
    }

    @Test
    void recording_onto_a_palette_needs_a_word_and_previews_both() {
        Show show = Rig.after(recorded(), "21 colour xy 0.3, 0.3");
        Outcome refused = Rig.say(show, "record colour 12");
        assertThat(refused.refused()).isTrue();
        assertThat(refused.problems().get(0).waysOut()).hasSize(2);
        Show merged = Rig.after(show, "record colour 12 per type merge");
        assertThat(given(merged, 21, 0).follows()).isEqualTo(Follows.TYPE);
        assertThat(given(merged, 11, 0).follows()).isEqualTo(Follows.GLOBAL);
        assertThat(palette(merged).mixedScopes()).isTrue();
        assertThat(palette(Rig.after(show, "record colour 12 per type replace")).mixedScopes())
                .isFalse();
    }

    @Test
    void a_wheel_left_out_is_said_and_can_be_closed() {
        Show show = Rig.after(Rig.everyKind(), "31 ColorSub_C at 60");
        assertThat(Rig.say(show, "record colour 12").problems().get(0).words()).contains("would stack on the mix");
        Show closed = Rig.after(show, "record colour 12 close wheel");
        assertThat(palette(closed).entries()).anyMatch(e -> e.attribute().isColourWheel() && e.companion());
    }

    @Test
    void nothing_touched_is_nothing_to_record() {
        assertThat(Rig.say(Rig.everyKind(), "record colour 12")
                        .problems()
                        .get(0)
                        .code())
                .isEqualTo("palette.nothing");
    }

    @Test
    void with_nothing_in_hand_a_palette_picks_up_its_own_units() {
        Show show =
                Rig.after(Rig.everyKind(), "11 + 12 at 20 thru 80", "record intensity 1", "clear all", "intensity 1");
        assertThat(show.hand().selection().units().stream().map(show::label)).containsExactly("11", "12");
    }
}
