package app.loculus.core.programmer;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.patch.FixtureId;
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

    private static Hand holding(int... numbers) {
        return Hand.EMPTY.choosing(units(numbers));
    }

    @Test
    void choosing_anew_forgets_patterns_and_remembers_what_was_held() {
        Hand hand = holding(1, 2, 3, 4).arranged(new Pattern.EveryNth(2, 1)).choosing(units(9));
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
        Hand hand =
                holding(1, 2, 3, 4, 5, 6, 7, 8).arranged(new Pattern.Mirror()).arranged(new Pattern.EveryNth(2, 1));
        assertThat(hand.selection().units()).isEqualTo(units(1, 8, 3, 6).units());
        assertThat(hand.rest()).isEqualTo(units(2, 4, 5, 7));
        assertThat(hand.shares()).isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 4, 5})
    void stepping_round_comes_back_to_where_it_began(int n) {
        Hand start = holding(1, 2, 3, 4, 5, 6, 7).arranged(new Pattern.EveryNth(n, 1));
        Hand hand = start;
        for (int i = 0; i < n; i++) {
            hand = hand.stepped(1);
        }
        assertThat(hand).isEqualTo(start);
        assertThat(start.stepped(-1).stepped(1)).isEqualTo(start);
    }

    @Test
    void units_that_leave_the_show_leave_the_hand_everywhere() {
        Hand hand = holding(1, 2, 3)
                .choosing(units(2, 3, 4))
                .keeping(u -> !units(3).units().contains(u));
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
}
