package app.loculus.core.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The colours that are drawn as reachable are those that fixtures reach. */
class ReachableTest {

    private static List<Reachable> of(String hand) {
        return Reachable.all(Rig.after(Rig.everyKind(), hand));
    }

    /** Which side of each edge a colour lies on; all to the left for corners that go round counter-clockwise. */
    private static boolean inside(List<Chromaticity> outline, Chromaticity c, double slack) {
        for (int i = 0; i < outline.size(); i++) {
            Chromaticity a = outline.get(i);
            Chromaticity b = outline.get((i + 1) % outline.size());
            double turn = (b.u() - a.u()) * (c.v() - a.v()) - (b.v() - a.v()) * (c.u() - a.u());
            if (turn < -slack) {
                return false;
            }
        }
        return true;
    }

    @Test
    void a_type_is_there_once_and_those_without_colour_are_not() {
        assertThat(of("1 + 11 thru 14 + 21 thru 23"))
                .extracting(Reachable::type)
                .containsExactly("Wash", "Par");
        assertThat(of("1")).isEmpty();
        assertThat(Reachable.all(Rig.everyKind())).isEmpty();
    }

    @Test
    void emitters_are_the_corners_and_white_lies_inside() {
        List<Chromaticity> outline = of("11").get(0).outlines().get(0);
        assertThat(outline).hasSize(3);
        Chromaticity red = Rig.RGBW.get(0).full().chromaticity().orElseThrow();
        assertThat(outline).anySatisfy(c -> {
            assertThat(c.x()).isCloseTo(red.x(), within(1e-9));
            assertThat(c.y()).isCloseTo(red.y(), within(1e-9));
        });
        assertThat(inside(outline, Chromaticity.D65, 0)).isTrue();
        assertThat(inside(outline, new Chromaticity(0.1, 0.8), 0)).isFalse();
    }

    @Test
    void wheels_are_points_and_a_panel_of_two_modes_has_both_ways() {
        assertThat(of("41").get(0).slots()).hasSizeGreaterThan(2);
        assertThat(of("41").get(0).outlines()).isEmpty();
        assertThat(of("61").get(0).outlines()).hasSizeGreaterThan(1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whatever_flags_let_through_lies_inside(long seed) {
        Random random = new Random(seed);
        var spot = Rig.everyKind().patch().number(31);
        var mixer =
                Rig.everyKind().patch().modeOf(spot).colours(0).subtractive().orElseThrow();
        List<Chromaticity> outline = of("31").get(0).outlines().get(0);
        for (int i = 0; i < 50; i++) {
            List<Double> levels = random.doubles(3, 0, 0.99).boxed().toList();
            assertThat(inside(outline, mixer.light(levels).chromaticity().orElseThrow(), 1e-9))
                    .isTrue();
        }
    }
}
