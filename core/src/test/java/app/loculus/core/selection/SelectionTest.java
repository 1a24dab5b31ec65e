package app.loculus.core.selection;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
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

    private static final Patch NOBODY = new Patch(Rig.ALL, List.of());

    private static Selection upTo(int last) {
        return units(IntStream.rangeClosed(1, last).toArray());
    }

    private static List<List<Integer>> steps(Selection selection) {
        return selection.steps().stream()
                .map(s -> s.units().stream().map(u -> u.fixture().value()).toList())
                .toList();
    }

    private static List<List<Integer>> taken(Selection base, int share, Pattern... patterns) {
        List<Pattern> laid = List.of(patterns);
        for (int i = 0; i < Math.abs(share); i++) {
            laid = Taken.stepped(base, laid, Integer.signum(share), NOBODY);
        }
        return steps(Taken.of(base, laid, NOBODY).selection());
    }

    @Test
    void adding_keeps_the_place_of_what_is_in_already() {
        assertThat(units(3, 1).plus(units(1, 2, 3, 4))).isEqualTo(units(3, 1, 2, 4));
        assertThat(units(1, 2, 3).minus(units(2), f -> List.of())).isEqualTo(units(1, 3));
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
        Taken taken = Taken.of(upTo(5), List.of(new Pattern.EveryNth(2, 1)), NOBODY);
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
        for (Pattern pattern : List.of(
                new Pattern.EveryNth(3, 2), new Pattern.EveryNth(4, 1), new Pattern.Part(2, 4), new Pattern.One(1))) {
            List<List<Integer>> all = new ArrayList<>();
            int shares = Taken.of(upTo(size), List.of(pattern), NOBODY).shares();
            for (int s = 1; s <= shares; s++) {
                List<List<Integer>> share = taken(upTo(size), s, pattern);
                assertThat(share).as("share %d of %d", s, shares).isNotEmpty();
                all.addAll(share);
            }
            assertThat(all).containsExactlyInAnyOrderElementsOf(steps(upTo(size)));
            assertThat(taken(upTo(size), shares + 1, pattern)).isEqualTo(taken(upTo(size), 1, pattern));
        }
    }

    @Test
    void every_nth_begins_at_the_step_that_is_named() {
        assertThat(taken(upTo(8), 0, new Pattern.EveryNth(2, 3))).containsExactly(List.of(3), List.of(5), List.of(7));
        assertThat(taken(upTo(8), 0, new Pattern.EveryNth(3, 5))).containsExactly(List.of(5), List.of(8));
        assertThat(taken(upTo(8), 1, new Pattern.EveryNth(3, 5))).containsExactly(List.of(6));
        assertThat(taken(upTo(8), 2, new Pattern.EveryNth(3, 5))).containsExactly(List.of(4), List.of(7));
        assertThat(taken(upTo(8), 3, new Pattern.EveryNth(3, 5))).containsExactly(List.of(5), List.of(8));
    }

    @Test
    void only_the_last_pattern_is_stepped() {
        Selection evens = units(2, 4, 6, 8);
        assertThat(taken(upTo(8), 0, new Pattern.EveryNth(2, 2), new Pattern.Part(1, 2)))
                .isEqualTo(steps(units(2, 4)));
        assertThat(taken(upTo(8), 1, new Pattern.EveryNth(2, 2), new Pattern.Part(1, 2)))
                .isEqualTo(steps(units(6, 8)));
        assertThat(taken(evens, 1, new Pattern.EveryNth(2, 1), new Pattern.Reverse()))
                .isEqualTo(steps(units(8, 4)));
    }

    @Test
    void stepping_without_a_share_goes_through_the_steps_one_by_one() {
        List<List<Integer>> mirrored = taken(upTo(7), 0, new Pattern.Mirror());
        for (int s = 1; s <= 4; s++) {
            assertThat(taken(upTo(7), s, new Pattern.Mirror())).containsExactly(mirrored.get(s - 1));
        }
        assertThat(taken(upTo(7), 5, new Pattern.Mirror())).containsExactly(mirrored.get(0));
        assertThat(taken(upTo(7), -1, new Pattern.Mirror())).containsExactly(mirrored.get(3));
    }

    @Test
    void a_mirror_of_a_mirror_pairs_the_pairs_and_loses_nobody() {
        assertThat(taken(upTo(8), 0, new Pattern.Mirror(), new Pattern.Mirror()))
                .containsExactly(List.of(1, 8, 4, 5), List.of(2, 7, 3, 6));
    }

    private static UnitId cell(int fixture, int cell) {
        return new UnitId(new FixtureId(fixture), cell);
    }

    @Test
    void a_whole_fixture_and_its_cell_are_held_once() {
        Selection whole = units(51);
        Selection first = Selection.of(List.of(cell(51, 1)));
        assertThat(whole.plus(first)).isEqualTo(whole);
        assertThat(first.plus(units(3)).plus(whole)).isEqualTo(units(51, 3));
        assertThat(Selection.of(List.of(cell(51, 0), cell(51, 1)))).isEqualTo(whole);
    }

    @Test
    void a_cell_taken_out_of_a_whole_fixture_leaves_the_others() {
        Selection left = units(3, 51)
                .minus(Selection.of(List.of(cell(51, 1))), f -> List.of(cell(51, 1), cell(51, 2), cell(51, 3)));
        assertThat(left.units()).containsExactly(cell(3, 0), cell(51, 2), cell(51, 3));
        assertThat(Selection.of(List.of(cell(51, 2)))
                        .minus(units(51), f -> List.of())
                        .isEmpty())
                .isTrue();
    }

    @Test
    void what_is_in_both_keeps_the_first_order_and_the_smaller_unit() {
        assertThat(units(4, 3, 2).and(units(2, 4))).isEqualTo(units(4, 2));
        assertThat(units(51, 3).and(Selection.of(List.of(cell(51, 2)))).units()).containsExactly(cell(51, 2));
    }

    @Test
    void patterns_of_nothing_and_pattern_numbers_below_one() {
        assertThat(taken(Selection.EMPTY, 0, new Pattern.Mirror())).isEmpty();
        assertThat(taken(Selection.EMPTY, 3, new Pattern.Part(1, 4))).isEmpty();
        assertThat(taken(upTo(8), 0, new Pattern.EveryNth(2, 9))).isEmpty();
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

    /** A rig over a few places, so that many tie; some hang nowhere. */
    private static Show scattered(Random random) {
        Show show = Rig.show("patch 1 thru 24 as \"Dimmer / 1-slot\" at 1.1");
        for (int i = 1; i <= 24; i++) {
            if (random.nextInt(6) > 0) {
                show = Rig.after(
                        show,
                        "place " + i + " at " + random.nextInt(3) + "," + random.nextInt(3) + "," + random.nextInt(2));
            }
        }
        return show;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void sorting_loses_nobody_leaves_ties_as_they_were_and_changes_nothing_twice(long seed) {
        Show show = scattered(new Random(seed));
        List<Step> steps = new Pattern.Shuffle(seed)
                .take(show.chosen(new Choice.Everything()).steps(), show.patch());
        for (Sort.By by : Sort.By.values()) {
            Sort sort = Sort.by(by);
            List<Step> sorted = sort.take(steps, show.patch());
            assertThat(sorted).containsExactlyInAnyOrderElementsOf(steps);
            assertThat(sort.take(sorted, show.patch())).isEqualTo(sorted);
            for (int i = 1; i < sorted.size(); i++) {
                boolean tie = sort.take(List.of(sorted.get(i), sorted.get(i - 1)), show.patch())
                        .equals(List.of(sorted.get(i), sorted.get(i - 1)));
                if (tie && by != Sort.By.OUTWARD) {
                    assertThat(steps.indexOf(sorted.get(i - 1))).as("%s", by).isLessThan(steps.indexOf(sorted.get(i)));
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void rows_and_columns_hold_everybody_once_and_no_step_is_empty(long seed) {
        Show show = scattered(new Random(seed));
        Selection all = show.chosen(new Choice.Everything());
        for (Grid.Way way : Grid.Way.values()) {
            for (Grid grid : List.of(
                    Grid.by(way), new Grid(way, 1.2, OptionalInt.empty()), new Grid(way, 0.5, OptionalInt.of(5)))) {
                List<Step> steps = grid.take(all.steps(), show.patch());
                assertThat(steps).noneMatch(s -> s.units().isEmpty());
                assertThat(steps.stream().flatMap(s -> s.units().stream()))
                        .containsExactlyInAnyOrderElementsOf(all.units());
            }
        }
    }
}
