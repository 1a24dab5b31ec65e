package app.loculus.core.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SelectionTest {

    private static Selection units(int... numbers) {
        return Selection.of(IntStream.of(numbers)
                .mapToObj(n -> UnitId.whole(new FixtureId(n)))
                .toList());
    }

    private static Selection upTo(int last) {
        return units(IntStream.rangeClosed(1, last).toArray());
    }

    private static List<List<Integer>> steps(Selection selection) {
        return selection.steps().stream()
                .map(s -> s.units().stream().map(u -> u.fixture().value()).toList())
                .toList();
    }

    private static List<List<Integer>> taken(Selection base, int share, Pattern... patterns) {
        return steps(Taken.of(base, List.of(patterns), share).selection());
    }

    @Test
    void adding_keeps_the_place_of_what_is_in_already() {
        assertThat(units(3, 1).plus(units(1, 2, 3, 4))).isEqualTo(units(3, 1, 2, 4));
        assertThat(units(1, 2, 3).minus(units(2))).isEqualTo(units(1, 3));
    }

    @Test
    void every_second_and_then_the_next_share() {
        assertThat(taken(upTo(5), 0, new Pattern.EveryNth(2, 1))).containsExactly(List.of(1), List.of(3), List.of(5));
        assertThat(taken(upTo(5), 1, new Pattern.EveryNth(2, 1))).containsExactly(List.of(2), List.of(4));
        assertThat(taken(upTo(5), 2, new Pattern.EveryNth(2, 1)))
                .isEqualTo(taken(upTo(5), 0, new Pattern.EveryNth(2, 1)));
        assertThat(taken(upTo(5), -1, new Pattern.EveryNth(2, 1)))
                .isEqualTo(taken(upTo(5), 1, new Pattern.EveryNth(2, 1)));
    }

    @Test
    void parts_differ_by_at_most_one_longer_first() {
        List<Integer> sizes = IntStream.range(0, 4)
                .mapToObj(
                        share -> taken(upTo(10), share, new Pattern.Part(1, 4)).size())
                .toList();
        assertThat(sizes).containsExactly(3, 3, 2, 2);
    }

    @Test
    void mirror_pairs_the_ends_and_leaves_an_odd_middle_alone() {
        assertThat(taken(upTo(7), 0, new Pattern.Mirror()))
                .containsExactly(List.of(1, 7), List.of(2, 6), List.of(3, 5), List.of(4));
    }

    @Test
    void blocks_make_whole_blocks_for_the_pattern_behind_them() {
        assertThat(taken(upTo(8), 0, new Pattern.Blocks(2), new Pattern.EveryNth(2, 1)))
                .containsExactly(List.of(1, 2), List.of(5, 6));
    }

    @Test
    void the_rest_is_what_the_pattern_left() {
        Taken taken = Taken.of(upTo(5), List.of(new Pattern.EveryNth(2, 1)), 0);
        assertThat(taken.rest()).isEqualTo(units(2, 4));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 7, 42})
    void a_shuffle_repeats_with_its_seed_and_loses_nobody(long seed) {
        List<List<Integer>> once = taken(upTo(20), 0, new Pattern.Shuffle(seed));
        assertThat(once).isEqualTo(taken(upTo(20), 0, new Pattern.Shuffle(seed)));
        assertThat(once).containsExactlyInAnyOrderElementsOf(steps(upTo(20)));
        assertThat(once).isNotEqualTo(steps(upTo(20)));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 5, 9, 16})
    void all_shares_together_are_the_base_once(int size) {
        for (Pattern pattern : List.of(new Pattern.EveryNth(3, 2), new Pattern.Part(2, 4))) {
            List<List<Integer>> all = new ArrayList<>();
            int shares = Taken.of(upTo(size), List.of(pattern), 0).shares();
            IntStream.range(0, shares).forEach(s -> all.addAll(taken(upTo(size), s, pattern)));
            assertThat(all).containsExactlyInAnyOrderElementsOf(steps(upTo(size)));
        }
    }

    @Test
    void patterns_of_nothing_and_pattern_numbers_below_one() {
        assertThat(taken(Selection.EMPTY, 0, new Pattern.Mirror())).isEmpty();
        assertThat(taken(Selection.EMPTY, 3, new Pattern.Part(1, 4))).isEmpty();
        assertThatThrownBy(() -> new Pattern.EveryNth(0, 1)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Pattern.Part(5, 4)).isInstanceOf(Refusal.class);
    }

    private static void assertSpread(Spread spread, double... expected) {
        for (int i = 0; i < expected.length; i++) {
            assertThat(spread.at(i, expected.length)).as("step %d", i).isCloseTo(expected[i], within(0.005));
        }
    }

    @Test
    void spreads_run_along_the_steps() {
        assertSpread(Spread.of(20.0, 80.0), 20, 35, 50, 65, 80);
        assertSpread(Spread.of(30.0, 90.0, 30.0), 30, 47.14, 64.29, 81.43, 81.43, 64.29, 47.14, 30);
        assertSpread(Spread.of(20.0, 80.0), 20);
        assertSpread(Spread.of(50.0), 50, 50, 50);
    }
}
