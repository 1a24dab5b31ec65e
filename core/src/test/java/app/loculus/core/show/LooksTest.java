package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import java.util.List;
import org.junit.jupiter.api.Test;

class LooksTest {

    /** Washes 1 to 4 with a colour and a position. */
    private static Show washes(String... lines) {
        return Rig.after(
                Rig.of(
                        Rig.WASH,
                        "1 thru 4 colour xy 0.5, 0.4",
                        "record colour 12 \"Verdigris\"",
                        "clear all",
                        "1 thru 4 pan at -40 thru 40 tilt at 20",
                        "record position 3 \"Slip\"",
                        "clear all"),
                lines);
    }

    private static List<String> cues(Show show) {
        return show.cues(show.lists().get(0).id()).stream().map(Cue::toString).toList();
    }

    @Test
    void a_look_is_recorded_from_what_is_touched_and_keeps_what_it_follows() {
        Show show = washes("1 + 2 at 80 colour 12 zoom at 20");
        Outcome recorded = Rig.say(show, "record cue \"House half\" in 3 out 5 rest 4 wait 1");
        assertThat(recorded.words())
                .containsExactly(
                        "Records cue 1 “House half” of list 1 “Main”: 2 units, what is touched",
                        "2 × Wash: 12 added",
                        "2 of 2 units hold plain values",
                        "Sets cue 1 “House half” of list 1 “Main”: in 3 out 5 rest 4 wait 1");
        Show after = recorded.show();
        assertThat(after.look(after.cues(after.lists().get(0).id()).get(0).look())
                        .followed())
                .hasSize(1);
        assertThat(after.with(recorded.delta().reversed())).isEqualTo(show);
    }

    @Test
    void kinds_and_attributes_narrow_what_is_taken() {
        Show show = washes("1 at 80 colour 12 zoom at 20");
        assertThat(Rig.say(show, "record look 7 \"Only colour\" with colour")
                        .words()
                        .get(1))
                .isEqualTo("1 × Wash: 4 added");
        assertThat(Rig.say(show, "record look only zoom").words().get(1)).isEqualTo("1 × Wash: 1 added");
        assertThat(Rig.say(show, "record look without zoom, dimmer").words().get(1))
                .isEqualTo("1 × Wash: 4 added");
        assertThat(Rig.say(show, "record submaster 4 \"Gallery\"").words().get(0))
                .isEqualTo("Records submaster 4 “Gallery”: 1 unit, what is touched");
    }

    @Test
    void all_that_is_not_at_home_is_more_than_what_is_touched() {
        Show show = washes("1 at 80 colour 12", "record cue 1", "clear all", "3 at 40");
        app.loculus.core.play.Playing playing = app.loculus.core.play.Playing.NOTHING.after(
                new app.loculus.core.play.Press.Go(show.lists().get(0).id()), 0, show.repertoire());
        Show played = show.playing(List.of(playing.layer(1)));
        Outcome all = Rig.say(played, "record cue 2 all");
        assertThat(all.words().get(0)).isEqualTo("Records cue 2 of list 1 “Main”: 2 units, all that is not at home");
        assertThat(all.show()
                        .look(all.show().cues(show.lists().get(0).id()).get(1).look())
                        .followed())
                .as("what a cue follows is followed")
                .hasSize(1);
        assertThat(Rig.say(played, "record cue 2").words().get(0)).contains("1 unit, what is touched");
    }

    @Test
    void what_is_there_already_is_merged_or_replaced_and_never_by_accident() {
        Show show = washes("1 at 80 zoom at 20", "record cue 1", "clear all", "1 + 2 at 60");
        Outcome refused = Rig.say(show, "record cue 1");
        assertThat(refused.problems().get(0).waysOut())
                .extracting(w -> w.words())
                .containsExactly(
                        "Merge: 2 × Wash: 1 added, 1 changed", "Replace: 2 × Wash: 1 added, 1 changed, 1 taken out");
        String line = refused.problems().get(0).waysOut().get(0).line().orElseThrow();
        assertThat(Rig.say(show, line).words()).startsWith("Merges into cue 1 of list 1 “Main”");
        Show replaced = Rig.after(show, "record cue 1 \"New\" replace");
        assertThat(cues(replaced)).containsExactly("cue 1 “New”");
        Outcome out = Rig.say(replaced, "take out 2 from cue 1");
        assertThat(out.words()).containsExactly("Takes out of cue 1 “New” of list 1 “Main”: 1 × Wash: 1 taken out");
    }

    @Test
    void cues_are_moved_with_the_renumbering_told() {
        Show show = washes(
                "1 at 10", "record cue 1 \"A\"", "record cue 2 \"B\"", "record cue 2.001 \"C\"", "record cue 4 \"D\"");
        Outcome between = Rig.say(show, "move cue 4 before 2");
        assertThat(between.words()).containsExactly("Cue 4 becomes cue 1.5 “D”, before cue 2 “B”");
        Outcome tight = Rig.say(show, "move cue 4 before 2.001");
        assertThat(tight.words()).containsExactly("Cue 4 comes before; renumbered: 4 → 2.001, 2.001 → 2.002");
        assertThat(cues(tight.show())).containsExactly("cue 1 “A”", "cue 2 “B”", "cue 2.001 “D”", "cue 2.002 “C”");
        assertThat(cues(Rig.after(tight.show(), "renumber cues from 10 by 5")))
                .containsExactly("cue 10 “A”", "cue 15 “B”", "cue 20 “D”", "cue 25 “C”");
        assertThat(Rig.say(show, "move cue 4 to 2").refused()).isTrue();
    }

    @Test
    void cues_are_copied_split_and_deleted() {
        Show show = washes("1 + 2 at 80 colour 12", "record cue 1 \"A\" in 5 rest 2", "clear all");
        Show copied = Rig.after(show, "copy cue 1 to cue 3");
        assertThat(copied.cues(copied.lists().get(0).id()).get(1).timing().toString())
                .isEqualTo("in 5 rest 2");
        Outcome split = Rig.say(copied, "split cue 1 with colour");
        assertThat(split.words())
                .containsExactly("Splits cue 1 “A”: 2 × Wash: 8 added to cue 1.1, which starts with it");
        assertThat(split.show().cues(show.lists().get(0).id()).get(0).next().toString())
                .isEqualTo("next 0 after begin");
        assertThat(Rig.say(copied, "split cue 1 with shape").refused()).isTrue();
        Outcome gone = Rig.say(split.show(), "delete cue 1 thru 2");
        assertThat(gone.words()).containsExactly("Deletes 2 cues of list 1 “Main”");
        Show carried = Rig.after(copied, "1 at 5", "record cue 2", "delete cue 3", "clear all");
        assertThat(Rig.say(carried, "delete cue 1").words().get(1)).isEqualTo("Carried on so far, and no longer: in 2");
        assertThat(gone.show().all(PartKinds.LOOKS))
                .as("what they held is gone")
                .hasSize(1);
        assertThat(gone.show().with(gone.delta().reversed())).isEqualTo(split.show());
    }

    @Test
    void a_look_is_opened_changed_and_put_back_and_who_carries_it_on_is_told() {
        Show show = washes(
                "1 at 80 colour 12",
                "record cue 1",
                "clear all",
                "2 at 40",
                "record cue 2",
                "clear all",
                "1 at 20",
                "record cue 3",
                "clear all",
                "3 at 70");
        Outcome opened = Rig.say(show, "open cue 1");
        assertThat(opened.words())
                .containsExactly(
                        "Opens cue 1 of list 1 “Main”: 1 unit; save the changes or discard them",
                        "Working values of 1 unit are cleared for it");
        Outcome back = Rig.say(Rig.after(opened.show(), "1 at 60"), "update cue 1");
        assertThat(back.words())
                .startsWith(
                        "Saves the changes into cue 1 of list 1 “Main”: 1 × Wash: 1 changed",
                        "1 cue behind carries it on: 2");
        assertThat(back.show().programmer().values()).isEmpty();
        Show closed = Rig.after(opened.show(), "1 at 60", "close look");
        assertThat(closed.all(PartKinds.LOOKS)).isEqualTo(show.all(PartKinds.LOOKS));
    }

    @Test
    void plain_values_become_the_palette_that_is_equal_or_near() {
        Show show = washes(
                "1 at 50 zoom at 20",
                "record beam 4 \"Tight\"",
                "clear all",
                "1 zoom at 20",
                "2 zoom at 20.4",
                "3 zoom at 50",
                "record cue 1",
                "clear all");
        Outcome tidied = Rig.say(show, "tidy cue 1");
        assertThat(tidied.words())
                .containsExactly(
                        "Tidies cue 1 of list 1 “Main”",
                        "1 unit: beam 4 “Tight”, the same",
                        "1 unit: beam 4 “Tight”, nearly",
                        "Left: 1 of 3 units holds plain values");
        assertThat(Rig.say(tidied.show(), "tidy cue 1").refused()).isTrue();
    }

    @Test
    void a_palette_that_is_deleted_leaves_its_values_in_looks_and_says_so() {
        Show show = washes("1 + 2 colour 12", "record cue 1", "record submaster 2", "clear all");
        Outcome refused = Rig.say(show, "delete colour 12");
        assertThat(refused.problems().get(0).words())
                .isEqualTo("colour 12 “Verdigris” is followed by cue 1 of list 1 “Main”, submaster 2 “Submaster 2”.");
        Show plain = Rig.after(show, "delete colour 12 as values");
        assertThat(plain.look(plain.submasters().get(0).look()).followed()).isEmpty();
        assertThat(plain.look(plain.submasters().get(0).look()).values()).hasSize(2);
    }

    @Test
    void a_fixture_that_is_deleted_leaves_looks_and_one_of_another_type_keeps_what_fits() {
        Show show = washes("1 + 2 at 50 colour 12", "record cue 1", "clear all");
        Show without = Rig.after(show, "delete 1");
        assertThat(without.all(PartKinds.LOOKS).values().iterator().next().values())
                .hasSize(1);
        assertThat(Rig.after(show, "change 2 to \"Par\" at 2.1").all(PartKinds.LOOKS))
                .isNotEmpty();
    }

    @Test
    void lists_looks_and_submasters_are_set_moved_and_renamed() {
        Show show = washes(
                "1 at 50", "record cue 1", "record submaster 1", "record submaster 4 \"Gallery\"", "record look 3");
        Outcome set =
                Rig.say(show, "list 1 \"Watch\" as chase rate 96 crossfade 40 bounce release 0:03 standing alone");
        assertThat(set.words())
                .containsExactly(
                        "Sets list 1 “Watch”: each cue complete, as a chase, 96 a minute, crossfade 40 %, bounce, released in 3 s");
        assertThat(set.show().lists().get(0).join()).isEqualTo(CueList.Join.STANDING_ALONE);
        assertThat(Rig.say(show, "move submaster 4 to 1").words())
                .containsExactly(
                        "Moves submaster 4 “Gallery”: submaster 1 “Gallery”; submaster 1 “Submaster 1” changes places with it");
        assertThat(Rig.say(show, "rename look 3 \"Night\"").words()).containsExactly("Calls look 3 “Night”");
        assertThat(Rig.say(show, "list 9 as chase").refused())
                .as("no list is made by a slip")
                .isTrue();
        assertThat(Rig.say(show, "list 9 \"Nine\"").words().get(0)).startsWith("Makes list 9 “Nine”");
        assertThat(Rig.after(show, "delete list 1", "delete submaster 1 + 4", "delete look 3")
                        .all(PartKinds.LOOKS))
                .isEmpty();
    }

    @Test
    void what_could_move_in_the_dark_is_seen_and_prepared() {
        Show show = washes(
                "1 at 50 position 3",
                "record cue 1",
                "clear all",
                "2 at 70 position 3",
                "record cue 2",
                "clear all",
                "3 at 30",
                "record cue 3",
                "clear all");
        Outcome prepared = Rig.say(show, "prepare cue 2");
        assertThat(prepared.words()).containsExactly("Prepares cue 2: 1 unit moves in the dark with cue 1");
        assertThat(Rig.say(prepared.show(), "prepare cue 2").refused()).isTrue();
    }

    @Test
    void two_cues_are_held_against_each_other_in_words_with_groups_where_they_are_just_those() {
        Show show = washes(
                "1 thru 4",
                "record group 7 \"Bridge\"",
                "at 50 colour 12",
                "record cue 1",
                "clear all",
                "1 thru 4 at 80",
                "record cue 2",
                "clear all",
                "3 zoom at 20",
                "record cue 3",
                "clear all");
        List<Cue> cues = show.cues(show.lists().get(0).id());
        assertThat(app.loculus.core.edit.look.LookContents.of(show, cues.get(1)))
                .extracting(r -> r.stands() + " " + r.who() + ": " + r.what() + " " + r.value() + ", was " + r.was())
                .containsExactly(
                        "CHANGES group 7 “Bridge”: Dimmer 80 %, was 50 %",
                        "CARRIED group 7 “Bridge”: colour colour 12 “Verdigris”, was ");
        assertThat(app.loculus.core.edit.look.LookContents.between(
                        show,
                        app.loculus.core.edit.look.LookContents.standing(show, cues.get(2)),
                        app.loculus.core.edit.look.LookContents.standing(show, cues.get(0))))
                .extracting(r -> r.who() + ": " + r.what() + " " + r.value() + ", was " + r.was())
                .containsExactly("group 7 “Bridge”: Dimmer 50 %, was 80 %", "3: Zoom nothing, was 20 %");
        assertThat(app.loculus.core.edit.look.LookContents.counts(
                        show, show.lists().get(0)))
                .extracting(c -> c.changes() + " " + c.carried() + " " + c.plain())
                .containsExactly("4 0 0", "4 0 0", "1 3 1");
    }

    @Test
    void a_spread_over_many_is_one_row_from_its_first_to_its_last() {
        Show show = Rig.show("patch 1 thru 40 as \"Dimmer\" at 1.1", "all at 10 thru 90", "record cue 1");
        assertThat(app.loculus.core.edit.look.LookContents.of(
                        show, show.cues(show.lists().get(0).id()).get(0)))
                .extracting(r -> r.who() + ": " + r.what() + " " + r.value())
                .containsExactly("1 thru 40: Dimmer 10 % … 90 %");
    }

    @Test
    void who_holds_what_is_told_by_what_goes_out() {
        Show show = washes("1 thru 4 at 80 position 3", "record cue 1", "clear all", "2 at 30");
        var playing = app.loculus.core.play.Playing.NOTHING.after(
                new app.loculus.core.play.Press.Go(show.lists().get(0).id()), 0, show.repertoire());
        assertThat(app.loculus.core.desk.Holders.of(show.playing(List.of(playing.layer(1)))))
                .containsEntry("list 1", "intensity of 3, position of 4")
                .containsEntry("programmer", "intensity of 1")
                .hasSize(2);
        assertThat(app.loculus.core.desk.Holders.of(show)).containsOnlyKeys("programmer");
    }

    @Test
    void what_is_still_going_out_is_not_moved_where_that_would_be_seen() {
        Show show = Rig.of(
                Rig.WASH,
                "1 at 80 pan at 0",
                "record cue 1",
                "clear all",
                "1 at out",
                "record cue 2 out 5",
                "clear all",
                "1 at 60 pan at 90",
                "record cue 3 in 1",
                "clear all");
        Outcome late = Rig.say(show, "prepare cue 3");
        assertThat(late.refused()).isTrue();
        assertThat(late.problems().get(0).words())
                .isEqualTo("1 unit is still on the way out with cue 2: the move would be seen.");
        Show between = Rig.after(show, "1 at out", "record cue 2.5", "clear all");
        assertThat(Rig.say(between, "prepare cue 3").words())
                .containsExactly("Prepares cue 3: 1 unit moves in the dark with cue 2.5");
    }

    @Test
    void a_list_that_is_named_and_does_not_exist_is_made() {
        Outcome third = Rig.say(washes("1 at 50"), "record cue 1 of list 3");
        assertThat(third.words()).startsWith("Makes list 3 “List 3”");
        assertThat(third.show().cues(third.show().lists().get(0).id())).hasSize(1);
        Outcome named = Rig.say(third.show(), "record cue 1 of list \"Storm\" in 3");
        assertThat(named.words()).startsWith("Makes list 1 “Storm”");
    }

    @Test
    void another_name_is_told_when_something_is_recorded_onto() {
        Show show = washes("1 at 50", "record cue 1 \"Dawn\"", "record intensity 1 \"Half\"", "record group 1 \"One\"");
        assertThat(Rig.say(show, "record cue 1 \"Dusk\" merge").words())
                .contains("Renames it: it was cue 1 “Dawn” of list 1 “Main”");
        assertThat(Rig.say(show, "record intensity 1 \"Glow\" merge").words()).contains("Renames it: it was “Half”");
        assertThat(Rig.say(show, "record group 1 \"Two\" replace").words()).contains("Renames it: it was “One”");
        assertThat(Rig.say(show, "record group 1 \"Two\"")
                        .problems()
                        .get(0)
                        .waysOut()
                        .get(0)
                        .words())
                .isEqualTo("Replace group 1, renamed from “One”");
    }

    @Test
    void how_many_are_touched_and_not_selected_is_told_and_one_press_records_them() {
        Show show = washes("1 thru 3 at 50", "1");
        Outcome one = Rig.say(show, "record intensity 4");
        assertThat(one.problems())
                .extracting(p -> p.words())
                .containsExactly("2 more units are touched and not selected, so left out.");
        Show all = Rig.after(
                one.show(), one.problems().get(0).waysOut().get(0).line().orElseThrow());
        assertThat(all.palettes().get(0).units()).hasSize(3);
    }
}
