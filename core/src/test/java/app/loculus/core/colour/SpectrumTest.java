package app.loculus.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against chromaticities of the spectral locus as the CIE tables have them. */
class SpectrumTest {

    @ParameterizedTest
    @CsvSource({
        "460, 0.1440, 0.0297",
        "480, 0.0913, 0.1327",
        "500, 0.0082, 0.5384",
        "520, 0.0743, 0.8338",
        "550, 0.3016, 0.6923",
        "590, 0.5752, 0.4242",
        "620, 0.6915, 0.3083"
    })
    void a_wavelength_is_where_the_locus_has_it(double nanometres, double x, double y) {
        Chromaticity c = Spectrum.of(nanometres).chromaticity().orElseThrow();
        assertThat(c.x()).isCloseTo(x, within(.02));
        assertThat(c.y()).isCloseTo(y, within(.02));
    }

    @Test
    void what_nobody_sees_is_dark_and_equal_energy_is_white() {
        assertThat(Spectrum.of(365)).isEqualTo(Tristimulus.DARK);
        assertThat(Spectrum.of(850)).isEqualTo(Tristimulus.DARK);
        TreeMap<Double, Double> equal = new TreeMap<>();
        equal.put(380.0, 3.0);
        equal.put(780.0, 3.0);
        Chromaticity white = Spectrum.of(equal).chromaticity().orElseThrow();
        assertThat(white.x()).isCloseTo(1 / 3.0, within(.005));
        assertThat(white.y()).isCloseTo(1 / 3.0, within(.005));
        TreeMap<Double, Double> none = new TreeMap<>();
        none.put(400.0, 0.0);
        none.put(700.0, 0.0);
        assertThat(Spectrum.of(none)).isEqualTo(Tristimulus.DARK);
        assertThat(Spectrum.of(new TreeMap<>())).isEqualTo(Tristimulus.DARK);
    }
}
