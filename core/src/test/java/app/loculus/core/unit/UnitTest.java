package app.loculus.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class UnitTest {

    @ParameterizedTest
    @CsvSource({
        "128/1,2,32896",
        "128/1s,2,32768",
        "255/1,2,65535",
        "255/1s,2,65280",
        "43981/2,3,11259307",
        "32768/2,1,128",
        "7/1,1,7"
    })
    void dmx_values_are_mirrored_or_shifted_into_other_resolutions(String text, int octets, long expected) {
        assertThat(DmxValue.parse(text).in(new Resolution(octets))).isEqualTo(expected);
        assertThat(DmxValue.parse(text).toString()).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"256/1", "x/1", "1/5", "", "99999999999/4"})
    void what_is_no_dmx_value_is_refused(String text) {
        assertThatThrownBy(() -> DmxValue.parse(text)).isInstanceOf(Refusal.class);
    }

    @Test
    void fractions_print_as_percent_and_read_back() {
        assertThat(Fraction.parse(Fraction.of(0.7214).toString()).value()).isEqualTo(0.7214);
        assertThatThrownBy(() -> Fraction.ofPercent(150)).hasMessageContaining("150 %");
        assertThatThrownBy(() -> Fraction.of(Double.NaN)).isInstanceOf(Refusal.class);
    }

    @Test
    void octets_come_coarse_first() {
        Resolution wide = new Resolution(2);
        assertThat(wide.octet(0xABCD, 0)).isEqualTo(0xAB);
        assertThat(wide.octet(0xABCD, 1)).isEqualTo(0xCD);
    }
}
