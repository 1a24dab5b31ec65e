package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import org.junit.jupiter.api.Test;

class ValuesTest {

    private static UnitValues values(Show show, int number, int cell) {
        return show.programmer().of(new UnitId(show.patch().number(number).id(), cell));
    }

    private static double level(Show show, int number, String attribute) {
        AttributeValue value = values(show, number, 0)
                .get(new Attribute(attribute))
                .orElseThrow()
                .value();
        return ((AttributeValue.Level) value).fraction().value();
    }

    @Test
    void touching_one_emitter_touches_the_whole_mix_at_its_current_values() {
        Show show = Rig.after(Rig.everyKind(), "21 red at 60");
        assertThat(level(show, 21, "ColorAdd_R")).isEqualTo(0.6);
        assertThat(level(show, 21, "ColorAdd_G")).isEqualTo(1);
        Show again = Rig.after(show, "21 ColorAdd_G at 20");
        assertThat(level(again, 21, "ColorAdd_R")).isEqualTo(0.6);
    }

    @Test
    void a_wheel_is_not_part_of_the_mix() {
        Show show = Rig.after(Rig.everyKind(), "31 ColorSub_C at 60");
        assertThat(values(show, 31, 0).get(new Attribute("ColorSub_M"))).isPresent();
        assertThat(values(show, 31, 0).get(new Attribute("Color1"))).isEmpty();
    }

    @Test
    void what_needs_a_mode_brings_the_mode_channel_along() {
        Show show = Rig.after(Rig.everyKind(), "61 red at 60");
        assertThat(level(show, 61, "ColorMixMode")).isEqualTo(1);
        assertThat(values(show, 61, 0)
                        .get(new Attribute("ColorMixMode"))
                        .orElseThrow()
                        .companion())
                .isTrue();
        Show white = Rig.after(show, "61 white at 80");
        assertThat(level(white, 61, "ColorMixMode")).isZero();
    }

    @Test
    void a_whole_fixture_passes_on_to_its_cells_what_only_they_have() {
        Show show = Rig.after(Rig.everyKind(), "51 red at 30");
        assertThat(values(show, 51, 0).isEmpty()).isTrue();
        assertThat(values(show, 51, 3).get(new Attribute("ColorAdd_R"))).isPresent();
    }

    @Test
    void spreads_give_a_step_one_value() {
        Show show = Rig.after(Rig.everyKind(), "11 thru 14 mirror at 0 thru 90");
        assertThat(level(show, 11, "Dimmer")).isZero();
        assertThat(level(show, 14, "Dimmer")).isZero();
        assertThat(level(show, 12, "Dimmer")).isEqualTo(0.9);
    }

    @Test
    void who_lacks_the_attribute_is_named_and_stays() {
        Outcome outcome = Rig.say(Rig.everyKind(), "1 + 11 pan at 20");
        assertThat(outcome.problems().get(0).words()).isEqualTo("1 × Dimmer has no pan and stays as they are.");
        assertThat(Rig.say(Rig.everyKind(), "1 pan at 20").refused()).isTrue();
        assertThat(Rig.say(Rig.everyKind(), "11 pan at 400").problems().get(0).words())
                .contains("outside -270 to 270");
        assertThat(Rig.say(Rig.everyKind(), "1 at 150").problems().get(0).words())
                .contains("150 %");
    }

    @Test
    void home_touches_and_clear_drops_selection_first_then_values() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50 pan at 90", "home position");
        assertThat(level(show, 11, "Pan")).isBetween(0.4999, 0.5001);
        assertThat(level(show, 11, "Dimmer")).isEqualTo(0.5);
        Show once = Rig.after(show, "clear");
        assertThat(once.hand().selection().isEmpty()).isTrue();
        assertThat(once.programmer().values()).isNotEmpty();
        assertThat(Rig.after(once, "clear").programmer().values()).isEmpty();
    }

    @Test
    void stepping_takes_the_next_share() {
        Show show = Rig.after(Rig.everyKind(), "11 thru 14 every 2");
        Show next = Rig.after(show, "next");
        assertThat(next.hand().selection().units().stream().map(next::label)).containsExactly("12", "14");
        assertThat(Rig.after(next, "previous").hand()).isEqualTo(show.hand());
    }
}
