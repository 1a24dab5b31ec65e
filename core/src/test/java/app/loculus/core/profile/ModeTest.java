package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.unit.Fraction;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ModeTest {

    private static Mode mode(Profile profile) {
        return profile.modes().get(0);
    }

    private static Attribute attribute(String name) {
        return new Attribute(name);
    }

    @Test
    void footprint_is_the_highest_offset_of_each_break() {
        assertThat(mode(Rig.WASH).footprint()).isEqualTo(Map.of(1, 12));
        assertThat(mode(Rig.BATTEN).slots()).isEqualTo(13);
    }

    @Test
    void what_has_emitters_and_no_dimmer_gets_a_virtual_one_without_a_slot() {
        Parameter dimmer = mode(Rig.PAR).parameter(0, Attribute.DIMMER).orElseThrow();
        assertThat(mode(Rig.PAR).channelOf(dimmer).virtual()).isTrue();
        assertThat(mode(Rig.PAR).slots()).isEqualTo(3);
        assertThat(mode(Rig.DIMMER).channels()).hasSize(1);
    }

    @Test
    void cells_under_a_real_dimmer_are_open_at_home_and_the_par_is_dark() {
        Parameter cell = mode(Rig.BATTEN).parameter(2, Attribute.DIMMER).orElseThrow();
        assertThat(mode(Rig.BATTEN).channelOf(cell).home()).isEqualTo(255);
        Parameter par = mode(Rig.PAR).parameter(0, Attribute.DIMMER).orElseThrow();
        assertThat(mode(Rig.PAR).channelOf(par).home()).isZero();
    }

    @Test
    void emitters_that_would_be_dark_at_home_under_a_virtual_dimmer_are_white_instead() {
        List<Channel> dark = mode(Rig.PAR).channels().stream()
                .filter(c -> !c.virtual())
                .map(c -> new Channel(c.key(), 1, c.offsets(), 0, c.functions(), 0, c.highlight()))
                .toList();
        Mode mode = new Mode("dark", dark, 0, Rig.LAMP, mode(Rig.PAR).emitters(), Map.of());
        assertThat(mode.channels().stream().filter(c -> !c.virtual())).allMatch(c -> c.home() == 255);
    }

    @Test
    void an_attribute_lives_on_the_whole_or_on_every_cell_that_has_it() {
        assertThat(mode(Rig.BATTEN).homesOf(0, Attribute.DIMMER)).containsExactly(0);
        assertThat(mode(Rig.BATTEN).homesOf(0, attribute("ColorAdd_R"))).containsExactly(1, 2, 3, 4);
        assertThat(mode(Rig.BATTEN).homesOf(3, attribute("ColorAdd_R"))).containsExactly(3);
        assertThat(mode(Rig.BATTEN).homesOf(3, attribute("Pan"))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"ColorAdd_R,0,255", "ColorAdd_R,130,130", "ColorAdd_W,0,0", "ColorAdd_W,99,99", "ColorAdd_W,200,0"})
    void what_needs_a_mode_names_its_channel_at_a_working_value(String name, long now, long needed) {
        Mode panel = mode(Rig.PANEL);
        Parameter emitter = panel.parameter(0, attribute(name)).orElseThrow();
        int channel =
                panel.parameter(0, attribute("ColorMixMode")).orElseThrow().channel();
        assertThat(panel.masters(0, emitter.function(), c -> now)).isEqualTo(Map.of(channel, needed));
    }

    @Test
    void colour_systems_are_kept_apart_by_the_mode_they_need() {
        assertThat(mode(Rig.PANEL).colours(0).additive()).hasSize(2);
        assertThat(mode(Rig.WASH).colours(0).additive()).hasSize(1);
        assertThat(mode(Rig.SPOT).colours(0).subtractive()).isPresent();
        assertThat(mode(Rig.SPOT).colours(0).wheels().get(0).slots()).hasSize(3);
        assertThat(mode(Rig.DIMMER).colours(0).none()).isTrue();
        assertThat(mode(Rig.BATTEN).colours(0).none()).isTrue();
        assertThat(mode(Rig.BATTEN).colours(1).mixes()).isTrue();
    }

    @Test
    void physical_values_map_by_the_functions_range_and_stop_at_its_ends() {
        ChannelFunction pan =
                mode(Rig.WASH).parameter(0, Attribute.PAN).orElseThrow().function();
        assertThat(pan.fractionOf(-75.9638).value()).isCloseTo(0.35932630, within(1e-8));
        assertThat(pan.fractionOf(999).value()).isEqualTo(1);
        assertThat(pan.physicalOf(Fraction.of(0.25))).isEqualTo(-135);
        assertThat(pan.reaches(-270)).isTrue();
        assertThat(pan.reaches(-270.1)).isFalse();
    }

    @Test
    void ranges_are_found_by_name_slot_and_place() {
        ChannelFunction wheel =
                mode(Rig.BEAM).parameter(0, attribute("Color1")).orElseThrow().function();
        assertThat(wheel.range("RED").orElseThrow().middle()).isEqualTo(14);
        assertThat(wheel.rangeOfSlot(3).orElseThrow().name()).isEqualTo("Jade");
        assertThat(wheel.rangeAt(Fraction.ZERO).orElseThrow().name()).isEqualTo("Open");
        assertThat(wheel.range("Nowhere")).isEmpty();
    }
}
