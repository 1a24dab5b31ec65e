package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ComparisonTest {

    private static final Set<PaperField> ALL = EnumSet.allOf(PaperField.class);

    private static Show show() {
        return Rig.show(
                "patch 101 thru 106 as \"Wash / extended\" at 1.101",
                "patch 201 thru 203 as \"Par / rgb\" at 2.1",
                "hang 101 thru 106 on \"Bridge 1\"");
    }

    /** The paper that agrees with the show, with some lines put in the place of others. */
    private static List<HookupRow> paper(String... changed) {
        List<HookupRow> rows = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            rows.add(row(101 + i, "Wash", "extended", "1." + (101 + 12 * i), "Bridge 1"));
        }
        for (int i = 0; i < 3; i++) {
            rows.add(row(201 + i, "Par", "rgb", "2." + (1 + 3 * i), ""));
        }
        for (String line : changed) {
            String[] c = line.split(",", -1);
            int at = Integer.parseInt(c[0]);
            HookupRow put = new HookupRow(at + 2, c[1], "", c[2], c[3], c[4], c[5], "");
            if (at < rows.size()) {
                rows.set(at, put);
            } else {
                rows.add(put);
            }
        }
        return rows;
    }

    private static HookupRow row(int number, String profile, String mode, String address, String position) {
        return new HookupRow(number, String.valueOf(number), "", profile, mode, address, position, "");
    }

    private static Comparison compare(String... changed) {
        return Comparison.of(show(), Rig.ALL, paper(changed), ALL);
    }

    @Test
    void a_paper_that_agrees_has_no_differences() {
        assertThat(compare().differences()).isEmpty();
        assertThat(compare().agreeing()).isEqualTo(9);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1,102,Wash,extended,1.131,Bridge 1 | 102 DIFFERENT ADDRESS | digits swapped",
                "1,102,Wash,extended,1.114,Bridge 1 | 102 DIFFERENT ADDRESS | off by one",
                "1,102,Wash,extended,3.113,Bridge 1 | 102 DIFFERENT ADDRESS | same slot, wrong universe",
                "1,102,Wash,extended,1.101,Bridge 1 | 102 DIFFERENT ADDRESS | that is where 101 stands: a neighbour's number",
                "1,120,Wash,extended,1.113,Bridge 1 | 102 DIFFERENT NUMBER | digits swapped",
                "6,210,Par,rgb,2.1, | 201 DIFFERENT NUMBER | digits swapped",
            })
    void likely_slips_are_named(String change, String key, String slip) {
        Difference difference = compare(change.strip()).differences().stream()
                .filter(d -> d.key().equals(key))
                .findFirst()
                .orElseThrow();
        assertThat(difference.slip()).contains(slip.strip());
    }

    /** One address on paper is not what a fixture has that is addressed in two places; breaks that run on are. */
    @Test
    void every_place_counts() {
        Show twice = Rig.show("patch 1 as \"Par / rgb\" at 5.11", "patch 1 at 5.201 also");
        assertThat(addresses(twice, "5.11")).containsExactly("5.11 + 5.201");
        assertThat(addresses(twice, "5.201")).containsExactly("5.11 + 5.201");
        assertThat(addresses(twice, "5.11 + 5.201")).isEmpty();
        assertThat(addresses(Rig.show("patch 1 as \"Par / rgb\" at 5.11"), "5.11"))
                .isEmpty();
    }

    private static List<String> addresses(Show show, String paper) {
        HookupRow row = new HookupRow(2, "1", "", "Par", "rgb", paper, "", "");
        return Comparison.of(show, Rig.ALL, List.of(row), Set.of(PaperField.NUMBER, PaperField.ADDRESS))
                .differences()
                .stream()
                .map(Difference::ours)
                .toList();
    }

    @Test
    void missing_extra_doubled_and_holes_are_told_apart() {
        List<String> keys = compare("0,999,Par,rgb,9.1,", "8,201,Par,rgb,2.50,").differences().stream()
                .map(Difference::key)
                .toList();
        assertThat(keys).containsExactly("101 EXTRA", "201 DOUBLED NUMBER 10", "203 EXTRA", "999 MISSING");
    }

    @Test
    void a_double_is_told_with_the_number_it_may_be_meant_for() {
        Difference doubled = compare("8,202,Par,rgb,2.7,").differences().stream()
                .filter(d -> d.kind() == Difference.Kind.DOUBLED)
                .findFirst()
                .orElseThrow();
        assertThat(doubled.slip()).contains("perhaps 203 is meant: off by one");
        assertThat(doubled.takeable()).isFalse();
    }

    @Test
    void a_hole_that_both_have_is_found() {
        Show show = Rig.after(show(), "delete 104");
        List<HookupRow> rows =
                paper().stream().filter(r -> !r.number().equals("104")).toList();
        List<Difference> found = Comparison.of(show, Rig.ALL, rows, ALL).differences();
        assertThat(found).hasSize(1);
        assertThat(found.get(0).slip()).contains("neither has 104, between 103 and 105");
    }

    @Test
    void the_papers_word_is_taken_as_one_edit_that_can_be_taken_back() {
        Comparison comparison = compare(
                "0,101,Wash,extended,1.401,Bridge 2",
                "1,120,Wash,extended,1.113,Bridge 1",
                "9,301,Dimmer,1-slot,3.5,Pit",
                "8,,,,,");
        Set<String> all = comparison.differences().stream().map(Difference::key).collect(Collectors.toSet());
        assertThat(all).contains("203 EXTRA", "301 MISSING", "102 DIFFERENT NUMBER", "101 DIFFERENT POSITION");
        Outcome outcome = comparison.taking(all).apply(show());
        assertThat(outcome.problems()).isEmpty();
        List<HookupRow> valid = paper(
                        "0,101,Wash,extended,1.401,Bridge 2",
                        "1,120,Wash,extended,1.113,Bridge 1",
                        "9,301,Dimmer,1-slot,3.5,Pit")
                .stream()
                .filter(r -> !r.number().equals("203"))
                .toList();
        assertThat(Comparison.of(outcome.show(), Rig.ALL, valid, ALL).differences())
                .isEmpty();
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(show());
    }

    @Test
    void only_columns_that_the_paper_has_are_compared() {
        List<HookupRow> bare = paper().stream()
                .map(r -> new HookupRow(r.line(), r.number(), "", "", "", r.address(), "", ""))
                .toList();
        assertThat(Comparison.of(show(), Rig.ALL, bare, EnumSet.of(PaperField.NUMBER, PaperField.ADDRESS))
                        .differences())
                .isEmpty();
    }

    @Test
    void what_is_not_understood_is_told_with_its_line_and_cannot_be_taken() {
        Comparison comparison = compare("1,102,Wosh,extended,1/600,Bridge 1");
        assertThat(comparison.differences()).noneMatch(Difference::takeable);
        assertThat(comparison.differences().get(0).hindrance()).contains("Line 3, address: “1/600” is no address.");
        assertThat(comparison
                        .taking(List.of("102 DIFFERENT ADDRESS"))
                        .apply(show())
                        .delta()
                        .isEmpty())
                .isTrue();
    }
}
