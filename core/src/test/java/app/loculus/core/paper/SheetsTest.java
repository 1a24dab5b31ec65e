package app.loculus.core.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.Rig;
import app.loculus.core.show.Show;
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
        Sheet sheet = LooksSheet.of(show);
        assertThat(sheet.sections())
                .extracting(s -> s.heading() + " | " + s.words())
                .containsExactly(
                        "List 1 Main | 2 cues, carrying on, released in 2 s",
                        "1 Low | in 4 · out 2 · rest 4",
                        "2 Side | in 0 · out 0 · rest 0 · the next one 5 s after its beginning · 3 units carried on",
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
        assertThat(row(LooksSheet.of(show), 1, 0).get(2)).endsWith("(plain)");
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
        Sheet sheet = LooksSheet.of(show);
        assertThat(row(sheet, 1, 0).get(0)).isEqualTo("group 4 “Batten”, all cells");
        assertThat(row(sheet, 2, 0).get(0)).isEqualTo("51.1");
    }

    @Test
    void an_empty_show_has_empty_paper() {
        assertThat(GroupsSheet.of(Show.empty("Nothing")).words()).isEqualTo("0 groups");
        assertThat(LooksSheet.of(Show.empty("Nothing")).sections()).isEmpty();
    }

    @Test
    void a_row_has_a_cell_for_each_column() {
        List<Sheet.Column> one = List.of(new Sheet.Column("One", 1));
        List<Sheet.Section> two = List.of(new Sheet.Section("", "", false, List.of(List.of("a", "b"))));
        assertThatThrownBy(() -> new Sheet("Wrong", "", one, two)).isInstanceOf(IllegalArgumentException.class);
    }
}
