package app.loculus.core.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.selection.Spread;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpreadPointsTest {

    private static List<Long> seen(String line) {
        Show show = Rig.after(Rig.of(Rig.DIMMER), "patch 5 thru 8 as \"Dimmer / 1-slot\" at 1.5", line);
        return new ValueRows(show)
                .rows().get(0).points().stream().map(Math::round).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "100 thru 0, 100 0",
        "0 thru 100, 0 100",
        "50 thru 100 thru 50, 50 100 50",
        "30 thru 90 thru 30 thru 60, 30 90 30 60",
        "70, 70 70"
    })
    void what_was_set_is_what_is_seen(String set, String points) {
        assertThat(seen("1 thru 8 at " + set))
                .containsExactlyElementsOf(
                        List.of(points.split(" ")).stream().map(Long::valueOf).toList());
    }

    @Test
    void what_is_followed_is_named_only_where_all_of_them_follow_it() {
        Show show = Rig.of(
                Rig.DIMMER,
                "1 thru 4 sine of dimmer size 20",
                "record effect 1 \"Swell\"",
                "3 + 4",
                "effects off",
                "at 50",
                "1 thru 4");
        assertThat(new ValueRows(show).rows().get(0).palette()).isEmpty();
        assertThat(new ValueRows(Rig.after(show, "1 + 2")).rows().get(0).palette())
                .contains("Swell");
    }

    @Test
    void what_no_spread_of_a_few_gives_is_told_by_its_ends() {
        Show show = Rig.of(Rig.DIMMER, "1 at 10", "2 at 90", "3 at 20", "4 at 80", "1 thru 4");
        List<Double> points = new ValueRows(show).rows().get(0).points();
        assertThat(points.get(0)).isCloseTo(10, within(.1));
        assertThat(points.get(points.size() - 1)).isCloseTo(80, within(.1));
    }

    /** Whatever is spread again with what is seen comes out the same. */
    @Test
    void spread_again_it_is_the_same() {
        Random random = new Random(4);
        for (int i = 0; i < 200; i++) {
            int steps = 2 + random.nextInt(20);
            List<Double> set =
                    random.doubles(2 + random.nextInt(3), 0, 100).boxed().toList();
            java.util.Map<Integer, Double> values = new java.util.LinkedHashMap<>();
            for (int step = 0; step < steps; step++) {
                values.put(step, new Spread(set).at(step, steps));
            }
            List<Double> points = SpreadPoints.of(values, steps);
            if (steps > 2 * set.size()) {
                values.forEach((step, value) ->
                        assertThat(new Spread(points).at(step, steps)).isCloseTo(value, within(.2)));
            }
        }
    }
}
