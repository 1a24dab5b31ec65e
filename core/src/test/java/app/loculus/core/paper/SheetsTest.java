package app.loculus.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.edit.ledger.SignChapter;
import app.loculus.core.finding.Findings;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.Signature;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What stands on paper: groups in words, in order, and wherever they are just those that are meant. */
class SheetsTest {

    private static Show grouped(String... more) {
        return Rig.after(
                Rig.of(
                        Rig.WASH,
                        "1 thru 4",
                        "record group 3 \"Front\" as recipe",
                        "4 + 3 + 1",
                        "record group 5 \"Odd one\""),
                more);
    }

    private static List<String> row(Sheet sheet, int section, int row) {
        return sheet.sections().get(section).rows().get(row);
    }

    @Test
    void a_group_says_what_it_is_made_of_and_who_it_is_in_order() {
        Sheet sheet = GroupsSheet.of(grouped());
        assertThat(sheet.words()).isEqualTo("2 groups");
        assertThat(row(sheet, 0, 0)).containsExactly("3", "Front", "1 thru 4", "1 thru 4", "4", "");
        assertThat(row(sheet, 0, 1)).containsExactly("5", "Odd one", "a fixed order", "4 + 3 + 1", "3", "");
    }

    @Test
    void steps_cells_and_what_goes_by_light_are_told() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 thru 14 mirror",
                "11 at 50",
                "11 thru 14 mirror",
                "record group 1 \"Pairs\"",
                "all where lit",
                "record group 2 \"Lit\" as recipe");
        Sheet sheet = GroupsSheet.of(show);
        assertThat(row(sheet, 0, 1).get(3)).isEqualTo("goes by what the lights do");
        assertThat(row(sheet, 0, 0).get(4)).contains(" in ").contains("step");
    }

    @Test
    void a_cue_tells_what_it_changes_with_groups_for_those_who_are_one() {
        Show show = grouped(
                "group 3 at 40",
                "record cue 1 \"Low\" in 4 out 2",
                "clear all",
                "1 at 90",
                "record cue 2 \"Side\" next 5 after begin",
                "record submaster 1 \"One\"",
                "record look 7 \"Kept\"");
        Sheet sheet = LooksSheet.of(show, () -> {});
        assertThat(sheet.sections())
                .extracting(s -> s.heading() + " | " + s.words())
                .containsExactly(
                        "List 1 Main | 2 cues, tracking, released in 2 s",
                        "1 Low | in 4 · out 2 · rest 4",
                        "2 Side | in 0 · out 0 · rest 0 · the next cue follows 5 s after its start · 3 units tracked",
                        "Submasters | ",
                        "1 One | ",
                        "Looks | ",
                        "7 Kept | ");
        assertThat(row(sheet, 1, 0)).containsExactly("group 3 “Front”", "Dimmer", "40 %", "");
        assertThat(row(sheet, 2, 0)).containsExactly("1", "Dimmer", "90 %", "40 %");
    }

    @Test
    void what_follows_no_palette_is_marked() {
        Show show = grouped("1 zoom at 20", "record look 1 \"Tight\"");
        assertThat(row(LooksSheet.of(show, () -> {}), 1, 0).get(2)).endsWith("(plain)");
    }

    @Test
    void cells_are_told_by_the_group_whose_they_all_are() {
        Show show = Rig.after(
                Rig.everyKind(),
                "51",
                "record group 4 \"Batten\"",
                "51 colour xy 0.25, 0.39",
                "record look 1 \"Green\"",
                "clear all",
                "51.1 colour xy 0.25, 0.39",
                "record look 2 \"One\"");
        Sheet sheet = LooksSheet.of(show, () -> {});
        assertThat(row(sheet, 1, 0).get(0)).isEqualTo("group 4 “Batten”, all cells");
        assertThat(row(sheet, 2, 0).get(0)).isEqualTo("51.1");
    }

    @Test
    void an_empty_show_has_empty_paper() {
        assertThat(GroupsSheet.of(Show.empty("Nothing")).words()).isEqualTo("0 groups");
        assertThat(LooksSheet.of(Show.empty("Nothing"), () -> {}).sections()).isEmpty();
    }

    @Test
    void a_row_has_a_cell_for_each_column() {
        List<Sheet.Column> one = List.of(new Sheet.Column("One", 1));
        List<Sheet.Section> two = List.of(new Sheet.Section("", "", false, List.of(List.of("a", "b"))));
        assertThatThrownBy(() -> new Sheet("Wrong", "", one, two)).isInstanceOf(IllegalArgumentException.class);
    }

    private static Sheet sheet(Show show, PaperKind kind) {
        return kind.of(new PaperKind.Material(
                show, () -> Findings.of(show, Rig.ALL), chapter -> chapter == ChapterName.PATCH));
    }

    @Test
    void the_hookup_stands_by_number_by_name_and_by_position() {
        Show show = Rig.after(
                Rig.everyKind(),
                "hang 11 thru 14 on \"Bridge\"",
                "name 21 \"Aft\"",
                "patch 22 at 2.120 also",
                "mark 23 dead \"no lamp\"",
                "unpatch 61");
        assertThat(sheet(show, PaperKind.HOOKUP_BY_NUMBER).sections().get(0).rows())
                .contains(
                        List.of("22", "Par 22", "Par / rgb", "1.104 + 2.120", "", "", ""),
                        List.of("23", "Par 23", "Par / rgb", "1.107", "", "", "dead: no lamp"),
                        List.of("61", "Panel 61", "Panel / mode", "", "", "", ""));
        assertThat(sheet(show, PaperKind.HOOKUP_BY_NAME)
                        .sections()
                        .get(0)
                        .rows()
                        .get(0)
                        .subList(0, 2))
                .containsExactly("Aft", "21");
        Sheet byPosition = sheet(show, PaperKind.HOOKUP_BY_POSITION);
        assertThat(byPosition.words()).isEqualTo("12 fixtures on 2 universes, 1 without an address");
        assertThat(byPosition.sections())
                .extracting(s -> s.heading() + ": " + s.words())
                .containsExactly("Bridge: 4 fixtures · 48 slots", "No position: 8 fixtures · 36 slots");
    }

    /** Slot by slot what is claimed, by another way than the sheet goes. */
    @Test
    void the_map_of_a_universe_is_what_goes_out_there() {
        Show show = Rig.after(Rig.everyKind(), "patch 12 at 1.12 share");
        for (Sheet.Section section : sheet(show, PaperKind.HOOKUP_BY_OUTPUT).sections()) {
            Figure.SlotMap map = (Figure.SlotMap) section.figure().orElseThrow();
            for (int slot = 1; slot <= 512; slot++) {
                int at = slot;
                List<String> drawn = map.spans().stream()
                        .filter(s -> s.from() <= at && at <= s.to())
                        .map(Figure.Span::label)
                        .sorted()
                        .toList();
                List<String> claimed = show.patch().fixtures().stream()
                        .filter(f -> show.patch().claimsOf(f).stream()
                                .anyMatch(c -> c.universe() == map.universe() && c.first() <= at && at <= c.last()))
                        .map(f -> String.valueOf(f.number()))
                        .sorted()
                        .toList();
                assertThat(drawn).as(map.universe() + "." + slot).isEqualTo(claimed);
            }
            assertThat(section.ownPage()).isTrue();
        }
    }

    @Test
    void palettes_effects_and_marks_say_what_they_are_and_who_uses_them() {
        Show show = Rig.after(
                Rig.everyKind(),
                "place 11 thru 14 at -3,2,6 thru 3,2,6",
                "mark \"Chair\" at 1, 2, 0",
                "11 thru 14",
                "record position 1 \"At the chair\" at mark \"Chair\"",
                "21 thru 23 colour xy 0.4, 0.3",
                "record colour 2 \"Rose\"",
                "clear all",
                "11 thru 14 sine of dimmer at 20 thru 80",
                "record effect 3 \"Swell\"",
                "record cue 1 \"First\"");
        List<Sheet.Section> palettes = sheet(show, PaperKind.PALETTES).sections();
        assertThat(palettes).extracting(Sheet.Section::heading).containsExactly("Position", "Colour");
        assertThat(palettes.get(0).rows().get(0).get(3)).isEqualTo("aimed at “Chair”");
        assertThat(palettes.get(1).rows().get(0).get(1)).matches("#[0-9a-f]{6}");
        assertThat(sheet(show, PaperKind.EFFECTS).sections().get(0).rows().get(0))
                .startsWith("3", "Swell")
                .last()
                .asString()
                .contains("cue 1 “First”");
        assertThat(sheet(show, PaperKind.MARKS).sections().get(0).rows().get(0))
                .containsExactly("Chair", "1 m", "2 m", "0 m", "position 1 “At the chair”");
    }

    @Test
    void how_the_work_stands_is_what_check_finds() {
        Show show = Rig.after(Rig.everyKind(), "mark 21 dead", "unpatch 22");
        Sheet open = sheet(show, PaperKind.OPEN_POINTS);
        assertThat(open.words()).isEqualTo("2 open points");
        assertThat(open.sections().get(0).rows())
                .extracting(r -> r.get(1) + " " + r.get(2))
                .containsExactly("wrong 21 “Par 21” was dead when it was brought up.", " 22 “Par 22” has no address.");
        Show signed = new SignChapter(new Signature(ChapterName.PATCH, "R. Ohm", "2026-11-28", "f00d", 2))
                .apply(show)
                .show();
        assertThat(sheet(signed, PaperKind.READINESS).sections().get(0).rows().get(1))
                .containsExactly("Patch", "2", "0", "R. Ohm", "2026-11-28", "2 open then; changed since");
        assertThat(sheet(show, PaperKind.COVER).title()).isEqualTo("Test");
    }

    @Test
    void every_kind_of_sheet_is_found_by_its_key() {
        for (PaperKind kind : PaperKind.values()) {
            assertThat(PaperKind.parse(kind.key())).isEqualTo(kind);
            assertThat(kind.holds(Show.empty("Bare"))
                            || sheet(Show.empty("Bare"), kind).rows() == 0)
                    .as(kind.key())
                    .isTrue();
        }
        assertThatThrownBy(() -> PaperKind.parse("nothing")).hasMessageContaining("no sheet “nothing”");
    }

    @Test
    void a_long_sheet_is_given_up_within_when_nobody_waits_for_it() {
        Show show = Rig.after(
                Rig.everyKind(), "11 at 50", "record cue 1", "record cue 2", "record cue 3", "record submaster 1");
        List<String> asked = new ArrayList<>();
        PaperKind.Material material = new PaperKind.Material(show, () -> Findings.of(show, Rig.ALL), chapter -> false);
        PaperKind.CUES.of(material.wanted(() -> asked.add("wanted")));
        assertThat(asked).hasSize(4);
        assertThatThrownBy(() -> PaperKind.CUES.of(material.wanted(() -> {
                    throw new IllegalStateException("stopped");
                })))
                .hasMessage("stopped");
    }
}
