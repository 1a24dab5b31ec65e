package app.loculus.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import java.util.List;
import java.util.Random;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AdditiveMixerTest {

    private static final Offset<Double> DIGITS = within(5.1e-5);
    private final AdditiveMixer rgb = new AdditiveMixer(Rig.RGBW.subList(0, 3));
    private final AdditiveMixer rgbw = new AdditiveMixer(Rig.RGBW);

    @ParameterizedTest
    @CsvSource({".4476,.4074,1,.5828,.1136,60.99", ".25,.39,.4205,1,.4337,74.42"})
    void three_emitters_reach_a_colour_at_their_brightest(
            double x, double y, double r, double g, double b, double luminance) {
        Mix mix = rgb.levelsFor(new Chromaticity(x, y));
        assertLevels(mix, r, g, b);
        assertThat(mix.light().y()).isCloseTo(luminance, within(0.006));
        assertThat(mix.inGamut()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({".4476,.4074,1,.5013,0,.1890,73.97", ".25,.39,0,1,.2721,.6285,125.30"})
    void a_white_emitter_makes_the_same_colour_brighter(
            double x, double y, double r, double g, double b, double w, double luminance) {
        Mix mix = rgbw.levelsFor(new Chromaticity(x, y));
        assertLevels(mix, r, g, b, w);
        assertThat(mix.light().y()).isCloseTo(luminance, within(0.006));
    }

    private static void assertLevels(Mix mix, double... expected) {
        for (int i = 0; i < expected.length; i++) {
            assertThat(mix.levels().get(i)).as("level %d", i).isCloseTo(expected[i], DIGITS);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void any_mix_is_found_again_and_never_darker(long seed) {
        Random random = new Random(seed);
        List<Double> levels = random.doubles(4, 0.05, 1).boxed().toList();
        Tristimulus wanted = rgbw.light(levels);
        Mix found = rgbw.levelsFor(wanted.chromaticity().orElseThrow());
        assertThat(found.light()
                        .chromaticity()
                        .orElseThrow()
                        .differenceTo(wanted.chromaticity().orElseThrow())
                        .deltaUv())
                .isLessThan(1e-7);
        assertThat(found.light().y()).isGreaterThanOrEqualTo(wanted.y() - 1e-9);
    }

    @Test
    void a_colour_outside_becomes_the_nearest_point_of_the_gamut_and_says_so() {
        Chromaticity target = new Chromaticity(.08, .83);
        Mix mix = rgb.levelsFor(target);
        assertThat(mix.inGamut()).isFalse();
        double reached =
                mix.light().chromaticity().orElseThrow().differenceTo(target).deltaUv();
        for (double share = 0; share <= 1; share += 0.01) {
            Tristimulus onEdge = rgb.light(List.of(0.0, 1.0, share));
            assertThat(reached)
                    .isLessThanOrEqualTo(onEdge.chromaticity()
                                    .orElseThrow()
                                    .differenceTo(target)
                                    .deltaUv()
                            + 1e-6);
        }
    }

    @Test
    void one_emitter_alone_can_only_be_full() {
        Mix mix = new AdditiveMixer(Rig.RGBW.subList(0, 1)).levelsFor(Chromaticity.D65);
        assertThat(mix.levels()).containsExactly(1.0);
        assertThat(mix.inGamut()).isFalse();
    }

    @Test
    void two_whites_meet_between_them() {
        AdditiveMixer whites = new AdditiveMixer(
                List.of(Emitter.of("ColorAdd_WW", .4599, .4106, 90), Emitter.of("ColorAdd_CW", .3135, .3237, 100)));
        Tristimulus half = whites.light(List.of(1.0, 0.6));
        Mix mix = whites.levelsFor(half.chromaticity().orElseThrow());
        assertThat(mix.levels().get(0)).isCloseTo(1, within(1e-6));
        assertThat(mix.levels().get(1)).isCloseTo(0.6, within(1e-6));
    }
}
