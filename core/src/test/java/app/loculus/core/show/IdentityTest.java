package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.edit.patch.TakeIn;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Starts;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** No edit whatever makes a show with a number twice or a reference to what is gone. */
class IdentityTest {

    private static final Show SHOW = Rig.after(
            Rig.everyKind(),
            "51.1 thru 51.4 at 50 red at 20",
            "51.3 + 51.4",
            "record group 1 \"Cells\"",
            "all colour xy 0.3, 0.3",
            "record colour 1 \"Kept\" per type",
            "51.4 colour 1");

    private static String words(ShowEdit edit) {
        Outcome outcome = edit.apply(SHOW);
        assertThat(outcome.refused()).isTrue();
        assertThat(outcome.show()).isSameAs(SHOW);
        return outcome.problems().get(0).words();
    }

    private static Revision typed(int number, String type) {
        Profiles.Type to = Rig.ALL.type(type);
        Optional<String> same = Optional.empty();
        return new Revision(number, Optional.empty(), same, Optional.of(to), Optional.empty(), same, same, same);
    }

    @Test
    void two_rows_of_one_number_are_told_apart_by_nobody() {
        ReviseFixtures twice =
                new ReviseFixtures(List.of(typed(90, "Par / rgb"), typed(90, "Dimmer / 1-slot")), List.of());
        assertThat(words(twice)).contains("Fixture 90 is in two rows");
    }

    @Test
    void paper_and_patch_do_not_make_a_number_twice() {
        TakeIn.NewFixture row = new TakeIn.NewFixture(91, "A", Rig.ALL.type("Par / rgb"), Starts.NONE, false, "", "");
        assertThat(words(new TakeIn(List.of(row, row)))).contains("91 would be there twice");
        PatchFixtures patch = new PatchFixtures(
                List.of(92, 92),
                Optional.of(Rig.ALL.type("Par / rgb")),
                Optional.empty(),
                0,
                false,
                PatchFixtures.Clashing.REFUSE);
        assertThat(words(patch)).contains("92 is named twice");
    }

    @Test
    void an_edit_that_does_not_look_is_held_up_all_the_same() {
        Fixture first = SHOW.patch().number(1);
        assertThat(words(draft -> draft.putAll(List.of(first.numbered(11))))).contains("11 would be given twice");
        UnitId gone = new UnitId(SHOW.patch().number(51).id(), 9);
        assertThat(words(draft -> draft.hold(draft.hand().choosing(Selection.of(List.of(gone))))))
                .contains("refer to what is not there");
        Touched lost = Touched.byHand(new AttributeValue.Reference(new PaletteId(77)));
        assertThat(words(draft ->
                        draft.setAll(Map.of(UnitId.whole(first.id()), new UnitValues(Map.of(Attribute.DIMMER, lost))))))
                .contains("working values");
        assertThat(words(draft -> draft.putAll(List.of(first.as(first.profile(), "no such mode")))))
                .contains("fixture 1 is of a profile or mode");
        assertThat(words(draft ->
                        draft.remove(PartKinds.FIXTURES, SHOW.patch().number(51).id())))
                .contains("refer to what is not there");
    }

    @Test
    void changing_a_type_in_the_table_does_what_the_verb_does() {
        ReviseFixtures table = new ReviseFixtures(List.of(typed(51, "Dimmer / 1-slot")), List.of());
        Outcome outcome = table.apply(SHOW);
        assertThat(outcome.refused()).isFalse();
        Show byLine = Rig.after(SHOW, "change 51 to \"Dimmer / 1-slot\"");
        assertThat(outcome.show()).isEqualTo(byLine);
        assertThat(outcome.show().units(outcome.show().groups().get(0)).isEmpty())
                .isTrue();
        assertThat(outcome.show().hand().selection().units()).allMatch(u -> u.cell() == 0);
        assertThat(outcome.show().programmer().values().keySet()).allMatch(u -> u.cell() == 0);
        assertThat(outcome.show().profiles().all()).noneMatch(p -> p.name().equals("Batten"));
        assertThat(outcome.show().palettes().get(0).entries())
                .noneMatch(e -> e.scope().equals(new ScopeKey.Type(Rig.BATTEN.id())));
    }

    @Test
    void a_delta_is_looked_at_as_well() {
        Fixture first = SHOW.patch().number(1);
        Delta delta = new Delta(List.of(
                new Change<>(PartKinds.FIXTURES, first.id(), Optional.of(first), Optional.of(first.numbered(11)))));
        assertThatThrownBy(() -> SHOW.with(delta)).isInstanceOf(Refusal.class);
    }

    @Test
    void stored_parts_that_lead_nowhere_are_let_go_of_and_said() {
        List<Change<?, ?>> parts =
                new ArrayList<>(Differences.between(Show.empty("x"), SHOW).changes());
        parts.removeIf(c -> c.key().equals(SHOW.patch().number(51).id()));
        List<String> said = new ArrayList<>();
        Show loaded = Show.of(SHOW.name(), parts, said);
        assertThat(loaded.units(loaded.groups().get(0)).isEmpty()).isTrue();
        assertThat(said).anyMatch(s -> s.contains("groups")).anyMatch(s -> s.contains("working values"));
        assertThat(Show.of(
                        SHOW.name(), Differences.between(Show.empty(""), SHOW).changes(), said))
                .isEqualTo(SHOW);
    }

    @ParameterizedTest
    @ValueSource(longs = {71, 72, 73, 74, 75, 76})
    void it_holds_after_any_lines(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show now = SHOW;
        for (int i = 0; i < 80; i++) {
            now = lines.step(now);
            assertThat(Identity.ofAll(now).all()).as("%s", lines.said()).isEmpty();
        }
    }
}
