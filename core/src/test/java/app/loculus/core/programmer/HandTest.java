package app.loculus.core.programmer;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HandTest {

    private static Selection units(int... numbers) {
        return Selection.of(IntStream.of(numbers)
                .mapToObj(n -> UnitId.whole(new FixtureId(n)))
                .toList());
    }

    private static final Patch NOBODY = new Patch(Rig.ALL, List.of());

    private static Hand holding(int... numbers) {
        return Hand.EMPTY.choosing(units(numbers));
    }

    @Test
    void choosing_anew_forgets_patterns_and_remembers_what_was_held() {
        Hand hand =
                holding(1, 2, 3, 4).arranged(new Pattern.EveryNth(2, 1), NOBODY).choosing(units(9));
        assertThat(hand.patterns()).isEmpty();
        assertThat(hand.last()).isEqualTo(units(1, 3));
    }

    @Test
    void letting_go_keeps_the_last_selection_for_calling_it_back() {
        Hand gone = holding(1, 2).choosing(Selection.EMPTY);
        assertThat(gone.last()).isEqualTo(units(1, 2));
        assertThat(gone.choosing(Selection.EMPTY).last()).isEqualTo(units(1, 2));
    }

    @Test
    void choosing_the_same_again_changes_nothing() {
        Hand hand = holding(1, 2);
        assertThat(hand.choosing(units(1, 2))).isEqualTo(hand);
    }

    @Test
    void patterns_build_on_each_other() {
        Hand hand = holding(1, 2, 3, 4, 5, 6, 7, 8)
                .arranged(new Pattern.Mirror(), NOBODY)
                .arranged(new Pattern.EveryNth(2, 1), NOBODY);
        assertThat(hand.selection().units()).isEqualTo(units(1, 8, 3, 6).units());
        assertThat(hand.rest()).isEqualTo(units(2, 4, 5, 7));
        assertThat(hand.taken(NOBODY).shares()).isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 4, 5})
    void stepping_round_comes_back_to_where_it_began(int n) {
        Hand start = holding(1, 2, 3, 4, 5, 6, 7).arranged(new Pattern.EveryNth(n, 1), NOBODY);
        Hand hand = start;
        for (int i = 0; i < n; i++) {
            hand = hand.stepped(1, NOBODY);
        }
        assertThat(hand).isEqualTo(start);
        assertThat(start.stepped(-1, NOBODY).stepped(1, NOBODY)).isEqualTo(start);
    }

    @Test
    void units_that_leave_the_show_leave_the_hand_everywhere() {
        Hand hand = holding(1, 2, 3)
                .choosing(units(2, 3, 4))
                .keeping(u -> !units(3).units().contains(u), how -> how);
        assertThat(hand.selection()).isEqualTo(units(2, 4));
        assertThat(hand.base()).isEqualTo(units(2, 4));
        assertThat(hand.last()).isEqualTo(units(1, 2));
    }

    @Test
    void highlight_stays_while_other_units_are_chosen() {
        assertThat(holding(1).highlighting(true).choosing(units(2)).highlight()).isTrue();
        assertThat(List.of(Hand.EMPTY.selection(), Hand.EMPTY.base(), Hand.EMPTY.last()))
                .containsOnly(Selection.EMPTY);
    }

    @Test
    void fifty_steps_of_one_unit_leave_one_pattern() {
        Hand hand = holding(1);
        for (int i = 0; i < 50; i++) {
            hand = hand.stepped(1, NOBODY);
        }
        assertThat(hand.patterns()).hasSize(1);
        assertThat(hand.selection()).isEqualTo(units(1));
    }

    @Test
    void a_pattern_laid_on_a_later_share_keeps_that_share() {
        Hand hand = holding(1, 2, 3, 4, 5, 6, 7, 8)
                .arranged(new Pattern.EveryNth(2, 1), NOBODY)
                .stepped(1, NOBODY)
                .arranged(new Pattern.Part(1, 2), NOBODY);
        assertThat(hand.selection()).isEqualTo(units(2, 4));
        assertThat(hand.stepped(1, NOBODY).selection()).isEqualTo(units(6, 8));
        assertThat(hand.whole().selection()).isEqualTo(units(1, 2, 3, 4, 5, 6, 7, 8));
        assertThat(hand.without(0, NOBODY).selection()).isEqualTo(units(1, 2, 3, 4));
    }

    @Test
    void a_shuffle_replaces_the_shuffle_before_and_reverse_twice_is_nothing() {
        Hand shuffled =
                holding(1, 2, 3).arranged(new Pattern.Shuffle(1), NOBODY).arranged(new Pattern.Shuffle(2), NOBODY);
        assertThat(shuffled.patterns()).containsExactly(new Pattern.Shuffle(2));
        Hand twice = holding(1, 2, 3).arranged(new Pattern.Reverse(), NOBODY).arranged(new Pattern.Reverse(), NOBODY);
        assertThat(twice).isEqualTo(holding(1, 2, 3));
    }

    @Test
    void recent_selections_are_each_there_once_and_growing_ones_only_as_they_ended() {
        Hand hand = holding(1)
                .choosing(units(1, 2))
                .choosing(units(1, 2, 3))
                .choosing(units(7))
                .choosing(units(1, 2, 3));
        assertThat(hand.recent()).containsExactly(units(7), units(1, 2, 3));
    }
}
