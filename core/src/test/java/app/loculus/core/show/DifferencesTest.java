package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.edit.show.Become;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DifferencesTest {

    @Test
    void two_states_are_compared_in_words() {
        Show before = Rig.everyKind();
        Show after = Rig.after(
                before,
                "patch 21 thru 22 at 4.1",
                "delete 41",
                "patch 81 as \"Dimmer\" at 5.1",
                "renumber 31 from 32",
                "name 11 thru 13 \"Wash #\"",
                "all at 10",
                "record group \"All\"",
                "universe 1 name \"Front\"");
        assertThat(Differences.words(before, after))
                .containsExactly(
                        "1 fixture added: 81",
                        "1 fixture gone: 41",
                        "2 fixtures with other addresses: 21 thru 22",
                        "1 fixture with another number: 32",
                        "3 fixtures with another name: 11 thru 13",
                        "1 group added: 1 “All”",
                        "1 universe added: 1",
                        "Working values differ");
        assertThat(Differences.words(after, after)).isEmpty();
    }

    @Test
    void groups_are_compared_by_how_they_are_asked_for_and_who_is_in_them() {
        Show before = Rig.after(
                Rig.everyKind(),
                "type \"Wash\" every 2",
                "record group 1 \"Odd\" as recipe",
                "11 thru 13",
                "record group 2 \"Three\"",
                "all",
                "record group 3 \"Everybody\" as recipe",
                "clear");
        Show after = Rig.after(
                before,
                "type \"Wash\" every 3",
                "record group 1 as recipe replace",
                "edit group 2 + 14 - 11",
                "delete 41",
                "rename group 3 \"All\"",
                "tint group 3 teal");
        assertThat(Differences.words(before, after))
                .contains(
                        "Group 1 “Odd”: type \"Wash\" every 2 → type \"Wash\" every 3; + 14; − 13",
                        "Group 2 “Three”: + 14; − 11",
                        "Group 3 “All”: called “Everybody” before; − 41; another mark");
        Show turned = Rig.after(before, "group 2 reverse", "record group 2 replace");
        assertThat(Differences.words(before, turned)).contains("Group 2 “Three”: in another order");
    }

    @ParameterizedTest
    @ValueSource(longs = {61, 62, 63, 64, 65})
    void a_show_becomes_another_and_back(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show before = Rig.everyKind();
        Show after = before;
        for (int i = 0; i < 60; i++) {
            after = lines.step(after);
        }
        Outcome outcome = new Become(before, "Restores").apply(after);
        assertThat(outcome.show()).isEqualTo(before);
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(after);
    }
}
