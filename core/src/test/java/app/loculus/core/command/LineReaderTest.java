package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LineReaderTest {

    private final LineReader reader = new LineReader(Rig.ALL);

    private static List<String> held(String... lines) {
        Show show = Rig.after(Rig.everyKind(), lines);
        return show.hand().selection().units().stream().map(show::label).toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "11 thru 13|11,12,13", "13 THRU 11|13,12,11", "11 thru 14 - 12|11,13,14", "14 + 11|14,11",
                        "51.2 thru 51.4|51.2,51.3,51.4",
                "51.4 thru 51.2|51.4,51.3,51.2", "type \"Par\"|21,22,23", "all - 11 thru 61|1",
                        "11 thru 14 reverse every 2|14,12", "999 thru 60|61"
            })
    void selections_are_read_in_the_order_they_were_typed(String line, String expected) {
        assertThat(held(line)).containsExactly(expected.split(","));
    }

    @Test
    void groups_positions_and_the_last_selection_are_found_by_name() {
        assertThat(held("hang 11 + 12 on \"Bridge 1\"", "position \"bridge 1\""))
                .containsExactly("11", "12");
        assertThat(held("14 + 11", "record group 3 \"Odd\"", "clear", "group \"odd\""))
                .containsExactly("14", "11");
        assertThat(held("11", "21", "last")).containsExactly("11");
    }

    private Problem refusal(String line) {
        try {
            Outcome outcome = Rig.say(Rig.everyKind(), line);
            assertThat(outcome.refused()).as(line).isTrue();
            return outcome.problems().get(0);
        } catch (Refusal refusal) {
            return refusal.problems().get(0);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "11 thur 14|3|7",
                "patch 1 as \"Nothing / x\" at 1.1|11|24",
                "patch 1 at 1.600|11|16",
                "patch 1 at 7|11|12",
                "11 at 150|6|9",
                "group 9|6|7",
                "11 colour 44|10|12",
                "patch 300 thru 302 at 1.1|6|18",
                "~|0|1",
                "11 part 5 of 4|3|14"
            })
    void an_error_marks_the_very_word(String line, int from, int to) {
        Problem problem = refusal(line);
        assertThat(List.of(problem.place().from(), problem.place().to()))
                .as(problem.words())
                .containsExactly(from, to);
    }

    @Test
    void a_slip_is_answered_with_the_word_it_may_have_been() {
        assertThat(refusal("11 thur 14").waysOut().get(0).words()).isEqualTo("Did you mean thru?");
        assertThat(refusal("patch 1 as").words()).isEqualTo("The line is not finished.");
        assertThat(refusal("patch 1 as").waysOut().get(0).words()).contains("a name in quotes");
        assertThat(refusal("patch 1 as \"Pxr\" at 1.1").waysOut()).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "   ", "# only a comment"})
    void blank_lines_and_comments_do_nothing(String line) {
        assertThat(reader.read(line)).isInstanceOf(Command.Nothing.class);
    }

    @Test
    void undo_counts() {
        assertThat(reader.read("undo")).isEqualTo(new Command.Undo(1));
        assertThat(reader.read("redo 3")).isEqualTo(new Command.Redo(3));
    }

    @Test
    void several_lines_are_all_or_nothing_with_the_failing_one_named() {
        Show empty = Show.empty("x");
        Outcome good = reader.readAll(List.of("patch 1 as \"Par / rgb\" at 1.1", "# and", "1 at 50"))
                .apply(empty);
        assertThat(good.show().programmer().values()).hasSize(1);
        Outcome bad = reader.readAll(List.of("patch 1 as \"Par / rgb\" at 1.1", "2 at 50"))
                .apply(empty);
        assertThat(bad.show()).isSameAs(empty);
        assertThat(bad.problems().get(0).words()).startsWith("Line 2: There is no fixture 2");
    }

    @Test
    void hostile_numbers_are_refused_in_words() {
        for (String line : List.of(
                "99999999999999999999",
                "patch 1 thru 999999 as \"Par / rgb\" at 1.1",
                "patch 0 as \"Par / rgb\" at 1.1",
                "1".repeat(5000))) {
            assertThatThrownBy(() -> {
                        Outcome outcome = Rig.say(Rig.everyKind(), line);
                        throw new Refusal(outcome.problems());
                    })
                    .isInstanceOf(Refusal.class);
        }
    }

    @Test
    void a_name_may_hold_a_hash_and_counts_up() {
        Show show = Rig.after(Rig.everyKind(), "name 11 + 12 \"Bridge #\"  # two of them");
        assertThat(show.patch().number(12).name()).isEqualTo("Bridge 2");
    }

    @ParameterizedTest
    @ValueSource(strings = {" and lit", " or not lit", " and (lit)"})
    void what_lies_within_other_things_has_an_end_and_is_told_in_words(String more) {
        assertThatThrownBy(() -> new LineReader(Rig.ALL).read("all where lit" + more.repeat(3_000)))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.problems().get(0).words()).contains("at most 200 of"));
        assertThatThrownBy(() -> new LineReader(Rig.ALL).read("all where " + "(".repeat(9_000)))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new LineReader(Rig.ALL).read("all where " + "not ".repeat(9_000) + "lit"))
                .isInstanceOf(Refusal.class);
        assertThat(new LineReader(Rig.ALL).read("all where lit" + more.repeat(60)))
                .isInstanceOf(Command.Edit.class);
    }

    @Test
    void a_long_line_that_is_wrong_at_its_end_is_refused_there() {
        String line = "1" + " + 1".repeat(9_000) + " at at";
        assertThatThrownBy(() -> new LineReader(Rig.ALL).read(line))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.problems().get(0).place().from()).isEqualTo(line.length() - 2));
    }

    @Test
    void what_is_set_is_called_by_its_line_and_what_is_recorded_by_what_it_does() {
        assertThat(Rig.say(Rig.everyKind(), "11 thru 14  at 50").called()).isEqualTo("11 thru 14  at 50");
        assertThat(Rig.say(Rig.everyKind(), "11 full").called()).isEqualTo("11 full");
        assertThat(Rig.say(Rig.everyKind(), "delete 11").called()).startsWith("Deletes 1 fixture");
        assertThat(reader.readAll(List.of("11 at 50", "12 at 50"))
                        .apply(Rig.everyKind())
                        .called())
                .isEqualTo("Selects 1 unit");
    }
}
