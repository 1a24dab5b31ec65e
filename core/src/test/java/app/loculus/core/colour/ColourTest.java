package app.loculus.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Kelvin;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ColourTest {

    @Test
    void d65_lies_where_the_standard_puts_it_in_uv() {
        assertThat(Chromaticity.D65.u()).isCloseTo(0.1978, within(5e-5));
        assertThat(Chromaticity.D65.v()).isCloseTo(0.4683, within(5e-5));
        Chromaticity back = Chromaticity.ofUv(Chromaticity.D65.u(), Chromaticity.D65.v());
        assertThat(back.x()).isCloseTo(.3127, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"0.0005,EXACT", "0.001,EXACT", "0.004,MATCH", "0.0041,CLOSE", "0.015,CLOSE", "0.02,NEEDS_AN_EYE"})
    void differences_are_graded(double delta, ColourDifference.Grade grade) {
        assertThat(new ColourDifference(delta).grade()).isEqualTo(grade);
    }

    @ParameterizedTest
    @CsvSource({"3200,.42336,.39895", "5600,.3302,.3455", "6504,.31273,.32902", "2856,.44757,.40744"})
    void whites_follow_planck_below_4000_kelvin_and_daylight_above(double kelvin, double x, double y) {
        Chromaticity white = Whites.of(Kelvin.of(kelvin));
        assertThat(white.x()).isCloseTo(x, within(6e-4));
        assertThat(white.y()).isCloseTo(y, within(6e-4));
    }

    @Test
    void tint_moves_a_white_towards_green_by_its_distance() {
        Chromaticity plain = Whites.of(Kelvin.of(5000));
        Chromaticity green = Whites.of(Kelvin.of(5000), 0.01);
        assertThat(green.y()).isGreaterThan(plain.y());
        double du = green.u() - plain.u();
        double dv = (green.v() - plain.v()) * 2 / 3;
        assertThat(Math.hypot(du, dv)).isCloseTo(0.01, within(1e-9));
    }

    @Test
    void flags_take_away_what_the_colour_lacks() {
        SubtractiveMixer mixer = new SubtractiveMixer(Chromaticity.D65.withLuminance(100));
        Mix amber = mixer.levelsFor(
                new LinearRgb(1, 0.5, 0).toTristimulus().chromaticity().orElseThrow());
        assertThat(amber.levels().get(0)).isCloseTo(0, within(1e-4));
        assertThat(amber.levels().get(1)).isCloseTo(0.5, within(1e-3));
        assertThat(amber.levels().get(2)).isCloseTo(1, within(1e-3));
    }

    @Test
    void flags_count_from_the_lamps_own_white() {
        Tristimulus warm = Whites.of(Kelvin.of(3200)).withLuminance(100);
        Mix open = new SubtractiveMixer(warm).levelsFor(warm.chromaticity().orElseThrow());
        open.levels().forEach(level -> assertThat(level).isCloseTo(0, within(1e-9)));
    }

    @Test
    void the_nearest_slot_wins_and_the_brighter_one_when_they_tie() {
        Chromaticity red = new Chromaticity(.68, .31);
        List<WheelMatcher.Slot> slots = List.of(
                new WheelMatcher.Slot(1, "Open", Chromaticity.D65.withLuminance(100)),
                new WheelMatcher.Slot(2, "Dark red", red.withLuminance(5)),
                new WheelMatcher.Slot(3, "Red", red.withLuminance(9)));
        assertThat(WheelMatcher.nearest(slots, red).orElseThrow().name()).isEqualTo("Red");
        assertThat(WheelMatcher.nearest(List.of(), red)).isEmpty();
    }

    @Test
    void srgb_red_is_red_on_a_screen() {
        assertThat(new LinearRgb(1, 0, 0).hex()).isEqualTo("#ff0000");
        assertThat(LinearRgb.of(Chromaticity.D65.withLuminance(1)).hex()).isEqualTo("#ffffff");
    }

    @Test
    void no_colour_outside_the_diagram_is_taken() {
        assertThatThrownBy(() -> new Chromaticity(.7, .5))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("x 0.7, y 0.5");
    }

    @ParameterizedTest
    @ValueSource(doubles = {3000, 3995, 4000, 4005, 4009, 4100, 6500})
    void tint_goes_up_to_green_at_every_temperature(double kelvin) {
        Chromaticity on = Whites.of(Kelvin.of(kelvin));
        Chromaticity green = Whites.of(Kelvin.of(kelvin), 0.01);
        Chromaticity pink = Whites.of(Kelvin.of(kelvin), -0.01);
        assertThat(green.y()).isGreaterThan(on.y());
        assertThat(pink.y()).isLessThan(on.y());
        assertThat(Math.hypot(green.u() - on.u(), (green.v() - on.v()) * 2 / 3))
                .isCloseTo(0.01, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void without_tint_it_is_the_white_itself_and_too_much_of_it_is_refused() {
        assertThat(Whites.of(Kelvin.of(3200), 0)).isEqualTo(Whites.of(Kelvin.of(3200)));
        assertThatThrownBy(() -> Whites.of(Kelvin.of(3200), -0.06)).hasMessageContaining("no white any more");
        assertThatThrownBy(() -> Whites.of(Kelvin.of(3200), Double.NaN)).isInstanceOf(Refusal.class);
    }
}
