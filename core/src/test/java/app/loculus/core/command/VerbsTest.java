package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every verb of the line once: what it answers, and that it can be taken back. */
class VerbsTest {

    private static final Show BEFORE = Rig.after(
            Rig.everyKind(),
            "11 thru 14 colour xy 0.25, 0.39",
            "record colour 1 \"Verdigris\" global",
            "record group 1 \"Washes\"",
            "at 50",
            "record intensity 1 \"Half\"",
            "clear all",
            "11 thru 14 every 2");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "patch 70 thru 72 as \"Par / rgb\" at 5.1|3 × 3 slots · 5.1–5.9",
                "patch 70 thru 72 as \"Par / rgb\" at 5.1 gap 2|3 × 3 slots · 5.1–5.3, then 5.6–5.8, then 5.11–5.13",
                "patch 70 + 11 at 5.1|",
                "patch 11 thru 12 at 5.1|2 × 12 slots · 5.1–5.24",
                "patch 11 at 5.101 also|1 × 12 slots · 5.101–5.112",
                "add 80 as \"Par\"|1 fixture without an address",
                "unpatch 11 thru 14|Unpatches 4 fixtures; their programming stays",
                "delete 1|Deletes 1 fixture; nothing else refers to them",
                "delete group 1|Deletes group 1 “Washes”; its fixtures stay",
                "delete colour 1|Deletes colour 1 “Verdigris”; nothing follows it",
                "name 11 thru 14 \"Bridge #\"|Names 4 fixtures “Bridge #”",
                "place 11 thru 14 at -3,2,6 thru 3,2,6|Places 4 fixtures",
                "hang 11 thru 14 on \"Bridge 1\"|Hangs 4 fixtures on “Bridge 1”",
                "record group \"Odd\"|Records group 2 “Odd”: 2 units in 2 steps",
                "edit group 1 + 21 - 14|Group 1 “Washes”: 4 → 4 units",
                "rename group 1 \"All\"|Group 1 is called “All”",
                "rename color 1 \"Sea\"|colour 1 is called “Sea”",
                "home|Sends everything of 2 units home",
                "home beam|Sends beam of 2 units home",
                "clear|Releases 2 units",
                "clear all|Releases 2 units",
                "next|Share 2 of 2",
                "previous|Share 2 of 2",
                "highlight on|Highlight on",
                "group 1 at full|Selects 4 units",
                "at out|Dimmer 0 % for 2 units",
                "at 20 thru 80|Dimmer 20 → 80 for 2 units",
                "zoom at 12 deg|Zoom 12 deg for 2 units",
                "red at 128 dmx|Red 128 dmx for 2 units",
                "colour 1|Applies colour 1 “Verdigris”",
                "colour \"verdigris\" as values|Applies colour 1 “Verdigris”",
                "colour xy 0.3, 0.3|Colour x 0.3 y 0.3",
                "white at 3200 k|Colour x 0.4232 y 0.3991",
                "white at 3200 k tint 0.01|Colour x 0.4366 y 0.4298",
                "21 thru 23 reverse|Selects 3 units",
                "shuffle seed 7|shuffle seed 7: 2 of 4 in 2 steps",
            })
    void each_verb_says_what_it_does_and_can_be_reversed(String line, String words) {
        Outcome outcome = Rig.say(BEFORE, line);
        if (words == null) {
            assertThat(outcome.refused()).as(line).isTrue();
            return;
        }
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        assertThat(outcome.words().get(0)).isEqualTo(words);
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(BEFORE);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "patch",
                "patch 1",
                "patch 1 at",
                "add 1",
                "record",
                "record group \"a\" \"b\"",
                "rename 1 \"x\"",
                "place 11 at 1,2",
                "at",
                "11 at at",
                "group",
                "colour",
                "colour xy 0.3",
                "highlight",
                "edit group 1",
                "11 +",
                "+ 11",
                "thru 12",
                "11 every",
                "part 1",
                "take over",
                "\"text\"",
                "11 at 50 &",
                "höhe 3",
                "patch 1 as Par at 1.1"
            })
    void half_a_command_is_refused_with_a_place_and_an_advice(String line) {
        try {
            Outcome outcome = Rig.say(BEFORE, line);
            assertThat(outcome.refused()).as(line).isTrue();
        } catch (app.loculus.core.problem.Refusal refusal) {
            assertThat(refusal.problems().get(0).place().inText()).as(line).isTrue();
            assertThat(refusal.problems().get(0).waysOut()).as(line).isNotEmpty();
        }
    }

    @Test
    void a_colour_nobody_can_be_is_refused() {
        assertThat(Rig.say(BEFORE, "11 colour xy 0.9, 0.9").problems().get(0).words())
                .contains("is no colour");
        assertThat(Rig.say(BEFORE, "11 white at 900 k").problems().get(0).words())
                .contains("900 K is outside");
        assertThat(Rig.say(BEFORE, "1 colour xy 0.3, 0.3").problems().get(0).words())
                .isEqualTo("Nothing selected can make a colour.");
    }

    @Test
    void one_fixture_is_taken_out_of_a_palette_and_the_others_stay_in_it() {
        Show own = Rig.after(BEFORE, "11 thru 14 colour xy 0.3, 0.3", "record colour 2 per fixture");
        Outcome outcome = Rig.say(own, "take out 11 from colour 2");
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        var palette = outcome.show().palette(Kind.COLOUR, 2).orElseThrow();
        assertThat(palette.units().stream().map(outcome.show()::label)).containsExactly("12", "13", "14");
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(own);
    }

    @Test
    void a_mark_is_renamed() {
        Show marked = Rig.after(BEFORE, "mark \"Chair\" at 1, 2, 0");
        Outcome outcome = Rig.say(marked, "rename mark \"Chair\" \"Stool\"");
        assertThat(outcome.words().get(0)).contains("is called “Stool”");
        assertThat(Rig.say(outcome.show(), "11 aim at mark \"Chair\"").refused())
                .isTrue();
    }

    @Test
    void case_and_curly_quotes_do_not_matter() {
        assertThat(Rig.say(BEFORE, "GROUP “washes” AT FULL").refused()).isFalse();
    }

    @Test
    void one_line_chooses_arranges_and_sets_as_one_step() {
        Outcome outcome = Rig.say(BEFORE, "group 1 mirror at 10 thru 90 colour 1");
        assertThat(outcome.words()).hasSizeGreaterThanOrEqualTo(4);
        assertThat(outcome.show().with(outcome.delta().reversed())).isEqualTo(BEFORE);
    }
}
