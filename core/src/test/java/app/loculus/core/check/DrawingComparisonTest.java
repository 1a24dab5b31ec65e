package app.loculus.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.drawing.Drawing;
import app.loculus.core.drawing.DrawingFile;
import app.loculus.core.drawing.DrawnFixture;
import app.loculus.core.drawing.FocusPoint;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.edit.show.Become;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Rotation;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Inverted;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class DrawingComparisonTest {

    private static final String DAY = "2026-12-01";

    private static DrawnFixture drawn(String identity, String number, double x, String address) {
        return drawn(identity, number, x, address, Rig.WASH.fullName());
    }

    private static DrawnFixture drawn(String identity, String number, double x, String address, String profile) {
        return new DrawnFixture(
                identity,
                new HookupRow(1, number, "Head " + identity, profile, "extended", address, "Bridge", "front"),
                Optional.of(new Pose(new Vector3(x, 2, 6), Rotation.NONE)),
                Inverted.NONE,
                Optional.empty(),
                "unit 1");
    }

    private static DrawnFixture turning(DrawnFixture f, Inverted inverted) {
        return new DrawnFixture(f.identity(), f.row(), f.pose(), inverted, f.gel(), f.notes());
    }

    private static Drawing drawing(List<FocusPoint> marks, DrawnFixture... fixtures) {
        return new Drawing(
                List.of(fixtures),
                marks,
                List.of(),
                new Profiles(List.of(Rig.WASH)),
                List.of(),
                new DrawingFile("a.mvr", new byte[] {1}));
    }

    private static Drawing drawing(DrawnFixture... fixtures) {
        return drawing(List.of(), fixtures);
    }

    private static Show taken(Show show, Drawing drawing) {
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, drawing);
        Outcome outcome = c.taking(c.takeable(), DAY).apply(show);
        assertThat(outcome.refused()).as("%s", outcome.problems()).isFalse();
        return outcome.show();
    }

    private static List<String> keys(Show show, Drawing drawing) {
        return DrawingComparison.of(show, Profiles.NONE, drawing).differences().stream()
                .map(Difference::key)
                .toList();
    }

    @Test
    void a_new_show_takes_everything_and_agrees_then() {
        Drawing drawing = drawing(
                List.of(new FocusPoint("m", "Singer", new Vector3(0, 1, 1.6))),
                drawn("a", "1", -1, "1.1"),
                drawn("b", "2", 1, "1.13"),
                drawn("c", "", 2, ""));
        Show show = taken(Show.empty("New"), drawing);
        assertThat(show.patch().fixtures()).extracting("number").containsExactly(1, 2, 3);
        assertThat(show.patch().number(1).pose()).contains(Pose.at(-1, 2, 6));
        assertThat(show.patch().number(1).notes()).isEqualTo("unit 1");
        assertThat(show.patch().number(1).position()).isEqualTo("Bridge");
        assertThat(show.marks()).extracting("name").containsExactly("Singer");
        DrawingComparison again = DrawingComparison.of(show, Profiles.NONE, drawing);
        assertThat(again.differences()).isEmpty();
        assertThat(again.marks()).isEmpty();
        assertThat(again.agreeing()).isEqualTo(3);
    }

    @Test
    void a_head_that_is_drawn_inverted_becomes_so_when_that_is_taken() {
        Show show = taken(Show.empty("New"), drawing(turning(drawn("a", "1", -1, "1.1"), new Inverted(false, true))));
        assertThat(show.patch().number(1).inverted()).hasToString("tilt");
        Drawing later = drawing(turning(drawn("a", "1", -1, "1.1"), new Inverted(true, false)));
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, later);
        assertThat(c.differences()).singleElement().satisfies(d -> {
            assertThat(d.key()).isEqualTo("1 DIFFERENT INVERTED");
            assertThat(d.ours()).isEqualTo("tilt");
            assertThat(d.theirs()).isEqualTo("pan");
        });
        assertThat(c.taking(List.of(), DAY).apply(show).show().patch().number(1).inverted())
                .hasToString("tilt");
        assertThat(taken(show, later).patch().number(1).inverted()).hasToString("pan");
        assertThat(keys(taken(show, later), later)).isEmpty();
    }

    @Test
    void what_is_known_is_known_whatever_it_is_numbered() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13")));
        FixtureId a = show.patch().number(1).id();
        // They have changed their numbers; which is which is told by what they are, not by what they are called.
        Drawing swapped = drawing(drawn("a", "2", -1, "1.1"), drawn("b", "1", 1, "1.13"));
        assertThat(keys(show, swapped)).containsExactly("1 DIFFERENT NUMBER", "2 DIFFERENT NUMBER");
        Show after = taken(show, swapped);
        assertThat(after.patch().number(2).id()).isEqualTo(a);
        assertThat(keys(after, swapped)).isEmpty();
    }

    @Test
    void what_has_another_identity_is_told_by_its_number_and_else_by_where_it_hangs() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13")));
        Drawing other = drawing(drawn("x", "1", -1, "1.1"), drawn("y", "", 1.01, "1.13"));
        assertThat(keys(show, other)).containsExactly("1 DIFFERENT NAME", "2 DIFFERENT NAME", "2 DIFFERENT PLACE");
        Drawing apart = drawing(drawn("x", "1", -1, "1.1"), drawn("y", "", 3, "1.13"));
        assertThat(keys(show, apart)).contains("2 EXTRA", "3 MISSING");
    }

    @Test
    void each_field_is_taken_or_kept_and_the_rest_stays() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", -1, "1.1")));
        Drawing later = drawing(drawn("a", "1", 4, "1.101"));
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, later);
        assertThat(c.differences())
                .extracting(Difference::key)
                .containsExactly("1 DIFFERENT ADDRESS", "1 DIFFERENT PLACE");
        Show moved = c.taking(List.of("1 DIFFERENT PLACE"), DAY).apply(show).show();
        assertThat(moved.patch().number(1).pose().orElseThrow().place().x()).isEqualTo(4);
        assertThat(moved.patch().number(1).addresses().get(0).address()).hasToString("1.1");
        assertThat(moved.all(PartKinds.DRAWINGS)).hasSize(1);
    }

    @Test
    void what_the_drawing_lacks_stays_unless_that_is_asked_for() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13")));
        Drawing without = drawing(drawn("a", "1", -1, "1.1"));
        assertThat(taken(show, without).patch().size()).isEqualTo(2);
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, without);
        assertThat(c.taking(List.of("2 EXTRA"), DAY).apply(show).show().patch().size())
                .isEqualTo(1);
    }

    @Test
    void what_is_deleted_is_known_to_have_been_there_and_comes_back_by_undo() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13")));
        Show after = Rig.after(show, "delete 2");
        KeptDrawing kept = after.all(PartKinds.DRAWINGS).get(1);
        assertThat(kept.fixtures())
                .filteredOn(KeptDrawing.Known::gone)
                .extracting("identity")
                .containsExactly("b");
        // Whoever gets that number next is not taken for it.
        Show next = Rig.after(after, "add 2 as \"Dimmer\"");
        assertThat(next.all(PartKinds.DRAWINGS).get(1).fixtures())
                .filteredOn(KeptDrawing.Known::gone)
                .hasSize(1);
    }

    @Test
    void a_type_that_nobody_knows_hinders_and_says_so() {
        Drawing drawing = drawing(drawn("a", "1", -1, "1.1", "Nobody Knows"));
        DrawingComparison c = DrawingComparison.of(Show.empty("New"), Profiles.NONE, drawing);
        assertThat(c.takeable()).isEmpty();
        assertThat(c.differences().get(0).hindrance()).get().asString().contains("No profile is called “Nobody Knows”");
    }

    @Test
    void what_is_drawn_a_kilometre_away_comes_without_its_place() {
        Show show = taken(Show.empty("New"), drawing(drawn("a", "1", 2000, "1.1")));
        assertThat(show.patch().number(1).pose()).isEmpty();
        Difference d = DrawingComparison.of(show, Profiles.NONE, drawing(drawn("a", "1", 2000, "1.1")))
                .differences()
                .get(0);
        assertThat(d.takeable()).isFalse();
        assertThat(d.hindrance()).get().asString().contains("500 m");
    }

    @Test
    void a_mark_is_moved_and_called_as_it_is_drawn() {
        Show show = taken(Show.empty("New"), drawing(List.of(new FocusPoint("m", "Singer", new Vector3(0, 1, 1.6)))));
        Drawing later = drawing(List.of(new FocusPoint("m", "Soloist", new Vector3(1, 1, 1.6))));
        assertThat(DrawingComparison.of(show, Profiles.NONE, later).marks()).hasSize(1);
        Show after = taken(show, later);
        assertThat(after.marks()).singleElement().satisfies(m -> {
            assertThat(m.name()).isEqualTo("Soloist");
            assertThat(m.at().x()).isEqualTo(1);
        });
    }

    @Test
    void what_a_show_becomes_is_still_the_same_show() {
        Show show = Show.empty("One").known("one");
        Show after = new Become(Show.empty("Two").known("two"), "Restores")
                .apply(show)
                .show();
        assertThat(after.name()).isEqualTo("Two");
        assertThat(after.get(PartKinds.IDENTITY, Whole.SHOW)).isEqualTo("one");
    }

    @Test
    void a_later_state_forgets_neither_what_was_deleted_nor_what_it_lacks_itself() {
        Drawing first = drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13"), drawn("c", "3", 2, "1.25"));
        Show show = Rig.after(taken(Show.empty("New"), first), "delete 2");
        // It still has the deleted one, which is not taken again, and has lost the third, which stays.
        Drawing later = drawing(drawn("a", "1", -1, "1.1"), drawn("b", "2", 1, "1.13"));
        DrawingComparison c = DrawingComparison.of(show, Profiles.NONE, later);
        Show after = c.taking(List.of(), DAY).apply(show).show();
        KeptDrawing kept = after.all(PartKinds.DRAWINGS).get(1);
        assertThat(kept.fixtures())
                .filteredOn(KeptDrawing.Known::gone)
                .extracting("identity")
                .containsExactly("b");
        assertThat(kept.fixtures())
                .filteredOn(k -> !k.gone())
                .extracting("identity")
                .containsExactly("a", "c");
    }

    @Test
    void two_marks_change_their_names_between_them() {
        Vector3 left = new Vector3(-1, 0, 0);
        Vector3 right = new Vector3(1, 0, 0);
        Show show = taken(
                Show.empty("New"),
                drawing(List.of(new FocusPoint("l", "Ada", left), new FocusPoint("r", "Bo", right))));
        Drawing swapped = drawing(List.of(new FocusPoint("l", "Bo", left), new FocusPoint("r", "Ada", right)));
        Show after = taken(show, swapped);
        assertThat(after.marks())
                .hasSize(2)
                .allMatch(m -> m.at().equals(m.name().equals("Bo") ? left : right));
        assertThat(DrawingComparison.of(after, Profiles.NONE, swapped).marks()).isEmpty();
    }
}
