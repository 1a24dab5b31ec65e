package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Severity;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Numbers;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers, runs and problems as people read them. */
class WordsTest {

    @Test
    void numbers_are_written_as_runs() {
        assertThat(Numbers.text(List.of(301, 302, 303, 320, 330, 331))).isEqualTo("301 thru 303 + 320 + 330 thru 331");
        assertThat(Numbers.text(List.of(5, 4, 3))).isEqualTo("5 + 4 + 3");
        assertThat(Numbers.text(List.of())).isEmpty();
        assertThat(Numbers.count(1, "fixture")).isEqualTo("1 fixture");
        assertThat(Numbers.count(0, "fixture")).isEqualTo("0 fixtures");
    }

    @ParameterizedTest
    @CsvSource({"1,2,1", "0.5,2,0.5", "1.005,2,1.01", "-0.0001,2,0", "33.3333,1,33.3", "1e6,0,1000000", "NaN,2,NaN"})
    void decimals_carry_no_idle_zeros(double number, int places, String text) {
        assertThat(Decimal.text(number, places)).isEqualTo(text);
    }

    @Test
    void many_runs_are_counted_and_not_listed() {
        Outcome outcome = Rig.say(Show.empty("x"), "patch 1 thru 6 as \"Par / rgb\" at 1.1 gap 10");
        assertThat(outcome.words().get(0))
                .isEqualTo("6 × 3 slots · 1.1–1.3, then 1.14–1.16, then 1.27–1.29, then 1.40–1.42 and 2 more runs");
    }

    @Test
    void running_on_is_said() {
        Outcome outcome = Rig.say(Show.empty("x"), "patch 1 thru 3 as \"Par / rgb\" at 4.508");
        assertThat(outcome.words())
                .containsExactly(
                        "3 × 3 slots · 4.508–4.510, then 5.1–5.6",
                        "Runs on into universe 5: a footprint never straddles two universes.");
    }

    @Test
    void a_start_that_does_not_fit_begins_the_next_universe() {
        assertThat(Rig.say(Show.empty("x"), "patch 1 as \"Par / rgb\" at 4.511")
                        .words()
                        .get(0))
                .isEqualTo("1 × 3 slots · 5.1–5.3");
    }

    @Test
    void clashes_of_one_edit_are_told_one_by_one_up_to_a_measure() {
        Show show = Rig.show("patch 1 thru 40 as \"Dimmer / 1-slot\" at 1.1");
        Outcome outcome = Rig.say(show, "patch 101 thru 140 as \"Dimmer / 1-slot\" at 1.1");
        assertThat(outcome.problems()).hasSize(8).allMatch(p -> p.severity() == Severity.REFUSAL);
        assertThat(outcome.problems().get(0).waysOut().get(0).words()).isEqualTo("Move to 1.41");
        assertThat(outcome.problems().stream().skip(1).map(Problem::waysOut)).allMatch(List::isEmpty);
    }

    @Test
    void the_way_out_by_moving_finds_room_for_the_whole_run() {
        Show show = Rig.show("patch 1 as \"Dimmer / 1-slot\" at 1.5", "patch 2 as \"Dimmer / 1-slot\" at 1.20");
        Outcome outcome = Rig.say(show, "patch 11 thru 16 as \"Par / rgb\" at 1.1");
        assertThat(outcome.problems().get(0).waysOut().get(0).words()).isEqualTo("Move to 1.21");
    }
}
