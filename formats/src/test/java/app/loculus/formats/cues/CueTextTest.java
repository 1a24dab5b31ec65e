package app.loculus.formats.cues;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.edit.look.TakeInCues;
import app.loculus.core.look.Start;
import app.loculus.core.look.Timing;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.formats.gdtf.DescriptionReader;
import app.loculus.formats.gdtf.DescriptionWriter;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CueTextTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());

    private static Show show(String... lines) {
        Show now = Show.empty("Tide");
        for (String line : lines) {
            Outcome outcome = ((Command.Edit) LINES.read(line)).edit().apply(now);
            assertThat(outcome.problems()).as(line).noneMatch(p -> p.refuses());
            now = outcome.show();
        }
        return now;
    }

    private static Show tide() {
        return show(
                "patch 1 thru 3 as \"House Dimmer / 1-slot\" at 1.1",
                "patch 3 at 2.3 also",
                "patch 11 + 12 as \"Skiff Wash / extended\" at 1.101",
                "1 thru 3",
                "record group 4 \"Slip “front”\"",
                "3 at 25",
                "record submaster 2 \"Gallery!\"",
                "clear all",
                "1 + 2 at 50",
                "record cue 1 \"House half\" in 4 out 6.5 wait 1",
                "clear all",
                "2 at full",
                "11 at 20 pan at 30",
                "record cue 2.5 in 2 next 5 after begin",
                "clear all");
    }

    private static byte[] golden() throws IOException {
        try (InputStream in = CueTextTest.class.getResourceAsStream("/golden/tide.asc")) {
            return in.readAllBytes();
        }
    }

    @Test
    void a_show_goes_out_as_whole_looks_with_what_cannot_be_carried_said() throws IOException {
        Show show = tide();
        byte[] text = CueTextWriter.write(ShowCues.of(show, show.lists().get(0)));
        assertThat(new String(text, StandardCharsets.US_ASCII))
                .isEqualTo(new String(golden(), StandardCharsets.US_ASCII));
    }

    @Test
    void what_an_effect_moves_stands_in_its_middle_and_that_is_said() {
        Show show = show(
                "patch 1 thru 4 as \"House Dimmer / 1-slot\" at 1.1",
                "1 thru 4 sine of dimmer at 20 thru 60 offset round",
                "record cue 1",
                "1 thru 4 at 50",
                "1 thru 4 sine of dimmer size 30",
                "record cue 2",
                "clear all");
        CueText text = ShowCues.of(show, show.lists().get(0));
        assertThat(text.cues().get(0).levels().values())
                .hasSize(4)
                .allSatisfy(l -> assertThat(l).isCloseTo(.4, within(1e-6)));
        assertThat(text.cues().get(1).levels().values())
                .as("what it moves around")
                .hasSize(4)
                .allSatisfy(l -> assertThat(l).isCloseTo(.5, within(1e-6)));
        assertThat(text.said())
                .contains("In 2 looks effects move lights: they stand still in their middle, for the format knows no"
                        + " effects.");
    }

    @Test
    void what_went_out_is_read_again() throws IOException {
        CueText read = CueTextReader.read(golden());
        assertThat(read.said()).isEmpty();
        assertThat(read.cues()).hasSize(2);
        CueText.Sheet second = read.cues().get(1);
        assertThat(second.number()).isEqualTo("2.5");
        assertThat(second.followOn()).isEqualTo(5);
        assertThat(second.levels().get(11)).isCloseTo(.2, within(1e-9));
        assertThat(read.patch().get(3)).containsExactly(new CueText.Dimmer(3, 1), new CueText.Dimmer(515, 1));
        assertThat(read.patch().get(3).get(1).universe() + "."
                        + read.patch().get(3).get(1).slot())
                .isEqualTo("2.3");
        assertThat(CueTextWriter.write(
                        new CueText(read.patch(), read.cues(), read.groups(), read.submasters(), List.of())))
                .isEqualTo(new String(golden(), StandardCharsets.US_ASCII)
                        .replaceAll("!.*\r\n", "")
                        .getBytes(StandardCharsets.US_ASCII));
    }

    @Test
    void levels_with_fractions_names_beyond_seven_bits_and_the_order_of_groups_are_taken_as_they_stand() {
        CueText read = CueTextReader.read(("\uFEFFIDENT 3:0\nPATCH 1 104<600@50.7 105<601\n"
                        + "GROUP 1\nTEXT Brücke\nCHAN 9@100 3@100 5@100\nCUE 1\nCHAN 1@33.3\nENDDATA\n")
                .getBytes(StandardCharsets.UTF_8));
        assertThat(read.patch())
                .containsExactly(
                        Map.entry(104, List.of(new CueText.Dimmer(600, .507))),
                        Map.entry(105, List.of(new CueText.Dimmer(601, 1))));
        assertThat(read.groups().get(0).name()).isEqualTo("Brücke");
        assertThat(read.groups().get(0).levels().keySet()).containsExactly(9, 3, 5);
        assertThat(read.cues().get(0).levels().get(1)).isCloseTo(.333, within(1e-9));
        assertThat(CueTextReader.read(
                                "IDENT 3:0\nCUE 1\nTEXT Br\u00fccke\nENDDATA".getBytes(StandardCharsets.ISO_8859_1))
                        .cues()
                        .get(0)
                        .name())
                .isEqualTo("Brücke");
    }

    @Test
    void a_group_goes_out_in_its_order_and_a_wait_without_a_fade_is_no_less_a_wait() {
        Show show = show(
                "patch 1 thru 4 as \"House Dimmer / 1-slot\" at 1.1",
                "4 + 1 + 3",
                "record group 1 \"Turned\"",
                "1 at 30",
                "record cue 1",
                "cue 1 wait 2");
        String text =
                new String(CueTextWriter.write(ShowCues.of(show, show.lists().get(0))), StandardCharsets.US_ASCII);
        assertThat(text).contains("CHAN 4@100 1@100 3@100", "UP 0 2\r\nDOWN 0 2", "CHAN 1@30");
        CueText read = CueTextReader.read(text.getBytes(StandardCharsets.US_ASCII));
        assertThat(read.groups().get(0).levels().keySet()).containsExactly(4, 1, 3);
        assertThat(read.cues().get(0).delay()).isEqualTo(2);
    }

    @Test
    void delimiters_comments_ends_of_lines_and_unknown_words_are_taken_as_the_format_has_them() {
        CueText read = CueTextReader.read(("! from elsewhere\rident 3:0\nClear All\r\nPATCH 1 5<12@HFF 13@H80 6<14\n"
                        + "$OURS 1 2 3\n$$DETAIL 4\nCUE 1 ! the first\nTEXT Opening  Night\nUP 1:30 2\nDOWN 7.5\n"
                        + "$$MORE 1\nMIDI 4\nCHAN 1@50;2@hff,3/FL\nCHAN 4>H80\nPART 2\nUP 3\nCHAN 5=10\n\nLINK 9\n")
                .getBytes(StandardCharsets.US_ASCII));
        CueText.Sheet cue = read.cues().get(0);
        assertThat(cue.name()).isEqualTo("Opening  Night");
        assertThat(cue.up()).isEqualTo(90);
        assertThat(cue.delay()).isEqualTo(2);
        assertThat(cue.levels())
                .containsEntry(1, .5)
                .containsEntry(2, 1.0)
                .containsEntry(3, 1.0)
                .containsEntry(5, .1);
        assertThat(cue.levels().get(4)).isCloseTo(128 / 255.0, within(1e-9));
        assertThat(read.patch().get(5)).hasSize(2);
        assertThat(read.patch().get(5).get(1).level()).isCloseTo(.502, within(.001));
        assertThat(read.said())
                .containsExactly(
                        "Line 15: the parts of cue 1 are taken in as one.",
                        "The text stops without ENDDATA: it may have been cut.",
                        "$OURS is not known here and was left out",
                        "$$MORE is not known here and was left out",
                        "MIDI is not known here and was left out",
                        "LINK is not known here and was left out");
    }

    @Test
    void what_is_broken_is_refused_with_its_line() {
        for (String line :
                List.of("CHAN 1@", "CHAN x@50", "CHAN 1@150", "CUE", "PATCH 1 12@50", "CHAN 0@50", "CHAN 1@HZZ")) {
            assertThatThrownBy(() -> CueTextReader.read(
                            ("IDENT 3:0\nCUE 1\n" + line + "\nENDDATA").getBytes(StandardCharsets.US_ASCII)))
                    .as(line)
                    .isInstanceOf(Refusal.class)
                    .hasMessageContaining("Line 3");
        }
        assertThatThrownBy(() -> CueTextReader.read("CUE 1\nCHAN 1@50".getBytes(StandardCharsets.US_ASCII)))
                .hasMessageContaining("IDENT 3:0");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatever_is_sent_it_is_read_or_refused(long seed) throws IOException {
        Random random = new Random(seed);
        for (int i = 0; i < 200; i++) {
            byte[] text = golden();
            for (int k = random.nextInt(20); k >= 0; k--) {
                text[random.nextInt(text.length)] = (byte) random.nextInt(256);
            }
            try {
                CueTextReader.read(text);
            } catch (Refusal refused) {
                assertThat(refused.problems()).isNotEmpty();
            }
        }
    }

    @Test
    void what_a_text_of_a_million_parts_says_is_bounded() {
        StringBuilder text = new StringBuilder("IDENT 3:0\nCUE 1\n");
        for (int i = 0; i < 100_000; i++) {
            text.append("PART ").append(i).append("\nWORD").append(i).append(" 1\n");
        }
        CueText read = CueTextReader.read(text.append("ENDDATA\n").toString().getBytes(StandardCharsets.US_ASCII));
        assertThat(read.said()).hasSizeLessThan(300).anyMatch(w -> w.contains("more lines are taken in otherwise"));
        assertThat(read.said()).anyMatch(w -> w.startsWith("others is not known here"));
    }

    /** What is sent to each slot when a dimmer that goes to a share of full stands at a level. */
    @ParameterizedTest
    @ValueSource(doubles = {.507, .1, .999, .004, 1})
    void a_dimmer_that_goes_to_a_share_of_full_is_sent_that_share_and_goes_out_with_it(double share) {
        Profiles.Type plain =
                PlainDimmers.of(Show.empty("x"), ShippedProfiles.all()).get(0);
        Profile upTo = PlainDimmers.upTo(share, plain);
        assertThat(upTo.warnings()).isEmpty();
        Show now = Show.empty("Tide");
        LineReader lines = new LineReader(new Profiles(List.of(upTo)));
        String type = "\"" + upTo.fullName() + " / " + plain.mode().name() + "\"";
        for (String line : List.of("patch 104 as " + type + " at 2.88", "104 at full", "record cue 1", "104 at 50")) {
            now = ((Command.Edit) lines.read(line)).edit().apply(now).show();
        }
        long top = Math.max(1, Math.round(share * 255));
        assertThat(now.unlit().resolve(now.patch().number(104)).get(0).place().dmx())
                .isEqualTo(Math.round(top / 2.0));
        CueText text = ShowCues.of(now, now.lists().get(0));
        assertThat(text.patch().get(104)).containsExactly(new CueText.Dimmer(600, top / 255.0));
        assertThat(text.cues().get(0).levels()).containsExactly(Map.entry(104, 1.0));
        CueText again = CueTextReader.read(CueTextWriter.write(text));
        assertThat(again.patch().get(104).get(0).level()).isCloseTo(top / 255.0, within(1e-9));
    }

    @Test
    void cells_go_out_as_one_channel_on_all_of_their_dimmers_and_come_in_on_all_of_them() {
        Profile batten = DescriptionReader.read(DescriptionWriter.write(DraftBuilder.build(new ProfileDraft(
                "Halden",
                "Batten",
                0,
                0,
                0,
                0,
                ChartReader.read("3 x:\nDimmer\nend").modes()))));
        LineReader lines = new LineReader(new Profiles(List.of(batten)));
        Show now = Show.empty("Tide");
        for (String line : List.of(
                "patch 5 as \"Batten\" at 1.11", "5 at 40", "record cue 1", "5.2 at 70", "record cue 2", "clear all")) {
            Outcome outcome = ((Command.Edit) lines.read(line)).edit().apply(now);
            assertThat(outcome.problems()).as(line).noneMatch(p -> p.refuses());
            now = outcome.show();
        }
        CueText text = ShowCues.of(now, now.lists().get(0));
        assertThat(text.patch().get(5))
                .containsExactly(new CueText.Dimmer(11, 1), new CueText.Dimmer(12, 1), new CueText.Dimmer(13, 1));
        assertThat(text.cues().get(0).levels().get(5)).isCloseTo(.4, within(1e-9));
        assertThat(text.cues().get(1).levels().get(5)).isCloseTo(.7, within(1e-9));
        assertThat(text.said())
                .containsExactly("The cells of 5 stand at different levels somewhere: all of them go to that of the"
                        + " brightest.");
        Outcome taken = new TakeInCues(
                        List.of(new TakeInCues.Sheet("9", "", Timing.CUT, Start.PRESS, Map.of(5, Fraction.of(.3)))),
                        List.of(),
                        List.of())
                .apply(now);
        assertThat(taken.problems()).isEmpty();
        Show after = taken.show();
        CueText there = ShowCues.of(after, after.lists().get(1));
        assertThat(after.look(after.cues(after.lists().get(1).id()).get(0).look())
                        .values())
                .hasSize(3);
        assertThat(there.cues().get(0).levels().get(5)).isCloseTo(.3, within(1e-9));
    }

    @Test
    void channels_come_in_as_what_the_show_has_or_else_as_what_there_is() {
        Show none = Show.empty("x");
        assertThat(PlainDimmers.of(none, ShippedProfiles.all())).isNotEmpty();
        Show one = show("patch 1 as \"House Dimmer / 1-slot\" at 1.1", "patch 2 as \"Skiff Wash / extended\" at 2.1");
        assertThat(PlainDimmers.of(one, ShippedProfiles.all()))
                .extracting(t -> t.profile().name() + " / " + t.mode().name())
                .containsExactly("House Dimmer / 1-slot");
    }
}
