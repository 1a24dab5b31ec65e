package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.edit.group.BringGroups;
import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.group.Starter;
import app.loculus.core.group.Group;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Groups that follow what they were made from. */
class RecipesTest {

    private static Show recorded() {
        return Rig.after(
                Rig.everyKind(),
                "place 11 at -3, 2, 6",
                "place 12 at -1, 2, 6",
                "place 13 at 1, 2, 6",
                "place 14 at 3, 2, 6",
                "type \"Wash\" every 2",
                "record group 1 \"Odd\" as recipe",
                "group 1 reverse",
                "record group 2 \"Odd back\" as recipe",
                "11 thru 14",
                "record group 3 \"Fixed\"",
                "clear");
    }

    private static String units(Show show, int number) {
        return show.units(GroupFinder.number(show, number)).units().stream()
                .map(show::label)
                .collect(Collectors.joining(" "));
    }

    @Test
    void a_recipe_follows_its_base_and_a_fixed_order_does_not() {
        Show show = recorded();
        assertThat(units(show, 1)).isEqualTo("11 13");
        assertThat(units(show, 2)).isEqualTo("13 11");
        Outcome more = Rig.say(show, "patch 15 as \"Wash / extended\" at 5.1");
        assertThat(units(more.show(), 1)).isEqualTo("11 13 15");
        assertThat(units(more.show(), 2)).isEqualTo("15 13 11");
        assertThat(units(more.show(), 3)).isEqualTo("11 12 13 14");
        assertThat(more.words())
                .contains("Group 1 “Odd” follows: 2 → 3 units", "Group 2 “Odd back” follows: 2 → 3 units");
    }

    @Test
    void a_group_that_was_recalled_is_stepped_by_the_pattern_it_remembers() {
        Show show = Rig.after(recorded(), "group 1");
        assertThat(selected(show)).isEqualTo("11 13");
        Outcome next = Rig.say(show, "next");
        assertThat(next.words()).containsExactly("Share 2 of 2");
        assertThat(selected(next.show())).isEqualTo("12 14");
        assertThat(selected(Rig.after(next.show(), "next"))).isEqualTo("11 13");
        assertThat(selected(Rig.after(show, "previous"))).isEqualTo("12 14");
        // One that was laid on it is nearer, and a fixed group is stepped one by one.
        assertThat(selected(Rig.after(show, "every 2", "next"))).isEqualTo("13");
        assertThat(selected(Rig.after(recorded(), "group 3", "next"))).isEqualTo("11");
    }

    private static String selected(Show show) {
        return show.hand().selection().units().stream().map(show::label).collect(Collectors.joining(" "));
    }

    @Test
    void a_change_of_type_tells_of_a_recipe_only_that_it_follows() {
        List<String> words =
                Rig.say(recorded(), "change 11 to \"Batten / cells\" take over").words();
        assertThat(words).contains("Group 3 “Fixed” keeps them", "Group 1 “Odd” follows: 2 units, others than before");
        assertThat(Rig.say(recorded(), "51 cells every 2").words())
                .containsExactly("Selects 1 unit", "cells: 4 units in 4 steps", "every 2: 2 units in 2 steps");
    }

    @Test
    void a_recipe_says_itself_and_what_it_was_recorded_from() {
        Show show = recorded();
        Group odd = GroupFinder.number(show, 1);
        assertThat(show.words(odd.content().choice())).isEqualTo("type \"Wash\" every 2");
        assertThat(show.words(GroupFinder.number(show, 2).content().choice())).isEqualTo("group \"Odd\" reverse");
        assertThat(Rig.say(Rig.after(show, "group 2"), "record group 9 as recipe")
                        .words())
                .containsExactly("Records group 9 “Group 9”: 2 units in 2 steps; it follows group \"Odd back\"");
    }

    @Test
    void a_new_order_on_the_plan_is_told_when_a_recipe_goes_by_place() {
        Show show = Rig.after(recorded(), "11 thru 14 sort by across", "record group 4 \"Across\" as recipe", "clear");
        assertThat(Rig.say(show, "place 11 at 9, 2, 6").words())
                .contains("Group 4 “Across” follows: 4 units in another order");
        assertThat(units(Rig.after(show, "place 11 at 9, 2, 6"), 4)).isEqualTo("12 13 14 11");
    }

    @ParameterizedTest
    @ValueSource(strings = {"group 2", "group 2 + 21", "all where in group 2", "(group 2 reverse) + 11"})
    void a_recipe_that_would_contain_itself_is_refused(String line) {
        Outcome outcome = Rig.say(Rig.after(recorded(), line), "record group 1 as recipe replace");
        assertThat(outcome.problems())
                .extracting(p -> p.words())
                .containsExactly("This cannot be done: group 1 “Odd” would contain itself.");
    }

    @Test
    void editing_a_recipe_leaves_it_one() {
        Show edited = Rig.after(recorded(), "edit group 1 + 21 - 13");
        assertThat(units(edited, 1)).isEqualTo("11 21");
        assertThat(units(Rig.after(edited, "patch 15 as \"Wash / extended\" at 5.1"), 1))
                .isEqualTo("11 15 21");
        assertThat(edited.words(GroupFinder.number(edited, 1).content().choice()))
                .isEqualTo("(type \"Wash\" every 2) + 21 - 13");
    }

    @Test
    void frozen_it_stays_as_it_is() {
        Show frozen = Rig.after(recorded(), "freeze group 1", "patch 15 as \"Wash / extended\" at 5.1");
        assertThat(units(frozen, 1)).isEqualTo("11 13");
        assertThat(Rig.say(frozen, "freeze group 1").problems().get(0).words())
                .isEqualTo("Group 1 “Odd” is a fixed order already.");
    }

    @Test
    void deleting_a_group_names_what_was_made_from_it_and_leaves_its_units() {
        Outcome outcome = Rig.say(recorded(), "delete group 1");
        assertThat(outcome.words())
                .containsExactly(
                        "Deletes group 1 “Odd”; its fixtures stay",
                        "Made from it, and now of the units there are: 2 “Odd back”");
        assertThat(units(outcome.show(), 2)).isEqualTo("13 11");
        assertThat(Rig.say(recorded(), "delete group 1 + 3").show().groups()).hasSize(1);
    }

    @Test
    void deleting_a_palette_freezes_what_was_found_by_it() {
        Show show = Rig.after(
                recorded(),
                "21 + 22 colour xy 0.2, 0.3",
                "record colour 4 \"Verdigris\"",
                "22 + 21 colour 4",
                "all where uses colour 4",
                "record group 7 \"Green\" as recipe");
        Outcome outcome = Rig.say(show, "delete colour 4");
        assertThat(outcome.words()).contains("Made from those that use it, and now of the units there are: 7 “Green”");
        assertThat(units(outcome.show(), 7)).isEqualTo("21 22");
    }

    @Test
    void a_recipe_by_state_follows_the_light() {
        Show show = Rig.after(
                recorded(), "12 at 40", "type \"Wash\" where lit", "record group 8 \"Lit\" as recipe", "14 at 10");
        assertThat(units(show, 8)).isEqualTo("12 14");
        assertThat(units(Rig.after(show, "12 at out"), 8)).isEqualTo("14");
    }

    @Test
    void moving_swaps_and_copying_asks_for_a_free_number() {
        Show moved = Rig.after(recorded(), "move group 1 to 3");
        assertThat(moved.groups()).extracting(Group::toString).containsExactly("1 “Fixed”", "2 “Odd back”", "3 “Odd”");
        assertThat(units(moved, 2)).isEqualTo("13 11");
        assertThat(Rig.after(recorded(), "move group 1 to 12").groups())
                .extracting(Group::number)
                .containsExactly(2, 3, 12);
        assertThat(units(Rig.after(recorded(), "copy group 2 to 9"), 9)).isEqualTo("13 11");
        assertThat(Rig.say(recorded(), "copy group 2 to 3")
                        .problems()
                        .get(0)
                        .waysOut()
                        .get(0)
                        .line())
                .contains("copy group 2 to 4");
    }

    @Test
    void niches_are_marked_and_noted_from_the_line() {
        Show show = Rig.after(
                recorded(), "tint group 1 + \"Fixed\" moss", "note group 2 \"front of house\"", "tint group 3 off");
        assertThat(show.groups())
                .extracting(g -> g.tint().word() + " " + g.note())
                .containsExactly("moss ", "none front of house", "none ");
        assertThat(Rig.say(show, "tint group 1 mauve").problems().get(0).words())
                .isEqualTo("There is no mark “mauve”.");
    }

    private static List<String> brought(Show into, boolean byType, Integer... numbers) {
        Outcome outcome = new BringGroups(recorded(), List.of(numbers), byType, Map.of()).apply(into);
        assertThat(outcome.problems()).filteredOn(p -> p.refuses()).isEmpty();
        List<String> all = new java.util.ArrayList<>(outcome.words());
        outcome.problems().forEach(p -> all.add(p.words()));
        outcome.show().groups().forEach(g -> all.add(g + ": " + units(outcome.show(), g.number())));
        return all;
    }

    @Test
    void groups_of_another_show_come_by_number_or_by_type_and_say_who_is_missing() {
        Show other = Rig.show(
                "patch 11 thru 12 as \"Wash / extended\" at 1.1",
                "patch 201 thru 203 as \"Wash / extended\" at 2.1",
                "11",
                "record group 3 \"Mine\"");
        assertThat(brought(other, false, 1, 3))
                .containsExactly(
                        "Imports 2 groups: 1 “Odd” (3 of 2), 2 “Fixed” (2 of 4)",
                        "This show has no fixtures 13 thru 14 of “Test”.",
                        "1 “Odd”: 11 201 203",
                        "2 “Fixed”: 11 12",
                        "3 “Mine”: 11");
        assertThat(brought(other, true, 2, 3))
                .containsExactly(
                        "Imports 2 groups: 2 “Odd back” (2 of 2), 1 “Fixed” (4 of 4)",
                        "1 “Fixed”: 11 12 201 202",
                        "2 “Odd back”: 201 11",
                        "3 “Mine”: 11");
        Outcome told = new BringGroups(recorded(), List.of(3), false, Map.of(13, 203, 14, 201)).apply(other);
        assertThat(units(told.show(), 1)).isEqualTo("11 12 203 201");
        assertThat(new BringGroups(recorded(), List.of(3), false, Map.of(13, 999))
                        .apply(other)
                        .problems()
                        .get(0)
                        .words())
                .isEqualTo("There is no fixture 999.");
    }

    @Test
    void starter_groups_are_recorded_once() {
        Show show = Rig.after(recorded(), "hang 11 + 12 on \"Bridge 1\"", "starter groups");
        assertThat(show.groups())
                .extracting(Group::name)
                .contains("Dimmer", "Par", "Spot", "Beam", "Batten", "Panel", "Bridge 1")
                .doesNotContain("Wash");
        assertThat(Rig.say(show, "starter groups").problems().get(0).words())
                .isEqualTo("All of these groups are there already.");
        assertThat(Rig.after(show, "patch 24 as \"Par / rgb\" at 6.1").groups())
                .filteredOn(g -> g.name().equals("Par"))
                .hasSize(1);
    }

    @Test
    void starters_are_named_in_any_case_and_what_is_none_is_said() {
        Show show = Rig.after(recorded(), "hang 11 + 12 on \"Bridge 1\"");
        assertThat(Rig.after(show, "starter groups \"bRIDGE 1\"").groups())
                .hasSize(show.groups().size() + 1);
        assertThat(Rig.say(show, "starter groups \"Bridge 1\" + \"Bridge 7\"")
                        .problems()
                        .get(0)
                        .words())
                .isEqualTo("There is nothing to make a group “Bridge 7” of.");
    }

    @Test
    void shares_of_a_type_are_by_place_and_number() {
        Show show = recorded();
        List<Starter> washes = Starter.of(show).stream()
                .filter(s -> s.name().startsWith("Wash"))
                .toList();
        assertThat(washes.stream()
                        .map(s -> s.share() + ": "
                                + s.units().units().stream().map(show::label).collect(Collectors.joining(" "))))
                .containsExactly(
                        "whole: 11 12 13 14",
                        "left: 11 12",
                        "right: 13 14",
                        "odd: 11 13",
                        "even: 12 14",
                        "inner: 12 13",
                        "outer: 11 14",
                        "reversed: 14 13 12 11");
        assertThat(washes.get(0).there()).contains("3 “Fixed”");
        assertThat(washes.get(3).there()).contains("1 “Odd”");
    }

    @Test
    void names_are_written_as_the_show_writes_them() {
        Show loud = Rig.after(Rig.everyKind(), "11", "record group \"KEY LIGHT\"", "starter groups");
        assertThat(loud.groups()).extracting(Group::name).contains("WASH", "PAR");
    }

    /** What is carried from show to show is what asking anew gives. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatever_is_done_a_group_is_who_its_recipe_says(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.after(
                recorded(),
                "type \"Wash\" where lit",
                "universe 1 sort by across",
                "record group 21 as recipe",
                "all where in group 1 or unpatched mirror",
                "record group 22 as recipe",
                "(type \"Par\" + 1) - group 2",
                "record group 23 as recipe");
        for (int i = 0; i < 120; i++) {
            show = lines.step(show);
            show.groups().forEach(show::units);
            for (Group group : show.groups()) {
                assertThat(show.units(group))
                        .as("%s after %s", group, lines.said())
                        .isEqualTo(show.chosen(group.content().choice()));
            }
        }
    }
}
