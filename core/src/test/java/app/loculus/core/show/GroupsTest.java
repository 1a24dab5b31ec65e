package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.group.RecordGroup;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.group.Group;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GroupsTest {

    private static Show recorded() {
        return Rig.after(
                Rig.everyKind(),
                "14 thru 11",
                "record group \"Back\"",
                "11 thru 14 mirror",
                "record group 7 \"Pairs\"");
    }

    private static Group group(Show show, int number) {
        return GroupFinder.number(show, number);
    }

    private static String units(Show show, int number) {
        return String.join(
                " ",
                show.units(group(show, number)).units().stream()
                        .map(show::label)
                        .toList());
    }

    @Test
    void the_order_and_the_steps_are_kept() {
        assertThat(units(recorded(), 1)).isEqualTo("14 13 12 11");
        assertThat(recorded().units(group(recorded(), 7)).steps()).hasSize(2);
        Show recalled = Rig.after(recorded(), "clear all", "group 7 at 0 thru 60");
        assertThat(recalled.hand().selection().steps()).hasSize(2);
    }

    @Test
    void next_free_is_the_lowest_unused_number() {
        assertThat(RecordGroup.nextFree(recorded())).isEqualTo(2);
        assertThat(RecordGroup.nextFree(Rig.after(recorded(), "delete group 1")))
                .isEqualTo(1);
        assertThat(PaletteFinder.nextFree(recorded(), app.loculus.core.profile.Kind.COLOUR))
                .isEqualTo(1);
    }

    @Test
    void recording_over_a_group_needs_a_word() {
        Show show = Rig.after(recorded(), "21");
        Outcome refused = Rig.say(show, "record group 7");
        assertThat(refused.problems().get(0).waysOut())
                .extracting(w -> w.line().orElse(""))
                .containsExactly("record group 7 replace", "record group 2");
        Show replaced = Rig.after(show, "record group 7 replace");
        assertThat(units(replaced, 7)).isEqualTo("21");
        assertThat(group(replaced, 7).name()).isEqualTo("Pairs");
    }

    @Test
    void units_are_taken_in_and_out() {
        assertThat(units(Rig.after(recorded(), "edit group 1 + 21 thru 22 - 13"), 1))
                .isEqualTo("14 12 11 21 22");
    }

    @Test
    void renaming_keeps_content_and_number() {
        Show show = Rig.after(recorded(), "rename group 7 \"Both\"", "rename group \"Back\" \"Front\"");
        assertThat(show.groups()).extracting(Group::name).containsExactly("Front", "Both");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "group 3|There is no group 3.",
                "group \"Nope\"|There is no group “Nope”.",
                "record group 0|Group number 0 is outside 1 to 9999.",
                "rename group 7 \" \"|A name has 1 to 200 characters; this one has 0."
            })
    void what_cannot_be_is_refused_in_words(String line, String words) {
        assertThat(Rig.say(Rig.after(recorded(), "11"), line).problems().get(0).words())
                .isEqualTo(words);
    }

    @Test
    void nothing_in_hand_is_nothing_to_record() {
        assertThat(Rig.say(Rig.everyKind(), "record group 1").problems().get(0).code())
                .isEqualTo("selection.empty");
    }

    @Test
    void texts_too_long_for_a_list_are_refused() {
        String longName = "x".repeat(201);
        assertThat(Rig.say(Rig.everyKind(), "name 11 \"" + longName + "\"").refused())
                .isTrue();
        assertThat(Rig.say(Rig.everyKind(), "hang 11 on \"" + longName + "\"")
                        .problems()
                        .get(0)
                        .words())
                .contains("at most 200");
        assertThat(Rig.say(Rig.after(recorded(), "11"), "record group 9 \"" + longName + "\"")
                        .refused())
                .isTrue();
    }
}
