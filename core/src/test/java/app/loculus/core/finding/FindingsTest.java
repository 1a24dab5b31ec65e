package app.loculus.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.edit.ledger.SetAside;
import app.loculus.core.edit.ledger.TakeUpAgain;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What each rule finds, in which words, and what it offers. */
class FindingsTest {

    private static Findings of(Show show) {
        return Findings.of(show, Rig.ALL);
    }

    /** Findings of one rule: what they say, and what is offered. */
    private static List<String> told(Show show, String rule) {
        Findings findings = of(show);
        return findings.all().stream()
                .filter(f -> f.rule().equals(rule))
                .map(f -> f.words()
                        + (f.beside().isEmpty() ? "" : " (" + f.beside() + ")")
                        + findings.waysOut(f).stream()
                                .map(w -> " [" + w.words()
                                        + w.line().map(l -> " = " + l).orElse("") + "]")
                                .reduce("", String::concat))
                .toList();
    }

    /** A show after the first way out of the first finding of a rule. */
    private static Show mended(Show show, String rule) {
        Findings findings = of(show);
        Finding first = findings.all().stream()
                .filter(f -> f.rule().equals(rule))
                .findFirst()
                .orElseThrow();
        WayOut way = findings.waysOut(first).get(0);
        return Rig.after(show, way.line().orElseThrow());
    }

    @Test
    void clashes_and_shares() {
        Show show = Rig.show("patch 1 as \"Par / rgb\" at 1.1", "patch 2 as \"Par / rgb\" at 1.2 share");
        assertThat(told(show, "clash")).isEmpty();
        assertThat(told(show, "shared").get(0))
                .startsWith("1.2–1.3 is claimed twice: Par 1 and Par 2, shared on purpose. [Move 2 to 1.4");
        assertThat(told(mended(show, "shared"), "shared")).isEmpty();
    }

    @Test
    void without_an_address_by_type() {
        Show show = Rig.show(
                "add 1 thru 3 as \"Par / rgb\"",
                "add 7 as \"Wash / extended\"",
                "name 7 \"Strobe 3\"",
                "patch 9 as \"Par / rgb\" at 1.1");
        assertThat(told(show, "no-address"))
                .containsExactly(
                        "1 thru 3 have no address. (Par, 3 slots each)"
                                + " [Patch in next gaps = patch 1 thru 3 at next gap]",
                        "7 “Strobe 3” has no address. (Wash, 12 slots) [Patch at 1.4 = patch 7 at next gap]");
        Show one = mended(show, "no-address");
        assertThat(told(one, "no-address")).hasSize(1);
        assertThat(told(mended(one, "no-address"), "no-address")).isEmpty();
    }

    @Test
    void how_they_answered() {
        Show show = Rig.after(Rig.everyKind(), "name 21 \"Left\"", "mark 21 dead \"no lamp\"", "mark 22 wrong");
        assertThat(told(show, "answered-dead"))
                .containsExactly("21 “Left” was dead when it was brought up. (no lamp)"
                        + " [It answers now = mark 21 answered] [Try it again later = mark 21 not tried]");
        assertThat(told(show, "answered-wrong").get(0)).contains("was wrong");
        assertThat(of(show).all().stream()
                        .filter(f -> f.rule().startsWith("answered"))
                        .map(Finding::severity))
                .containsExactly(Severity.WRONG, Severity.NEEDS_A_LOOK);
    }

    @Test
    void numbers_left_out() {
        Show show =
                Rig.show("patch 1 thru 3 + 5 + 6 as \"Par / rgb\" at 1.1", "patch 11 as \"Wash / extended\" at 2.1");
        assertThat(told(show, "number-hole"))
                .containsExactly(
                        "There is no 4 between 3 and 5. [Renumber 5 thru 6 from 4 = renumber 5 thru 6 from 4]");
        assertThat(told(mended(show, "number-hole"), "number-hole")).isEmpty();
        assertThat(told(Rig.show("patch 1 + 5 as \"Par / rgb\" at 1.1"), "number-hole"))
                .as("a large hole is meant")
                .isEmpty();
    }

    @Test
    void the_paper_that_the_patch_is_held_to() {
        Show show = Rig.show("patch 1 thru 4 as \"Par / rgb\" at 1.1", "name 1 thru 4 \"Par #\"");
        Paperwork paper = new Paperwork(
                "hookup 24 Nov.csv",
                "2026-11-24",
                Set.of(PaperField.NUMBER, PaperField.NAME, PaperField.ADDRESS),
                List.of(
                        new HookupRow(2, "1", "Par 1", "Par", "", "1.1", "", ""),
                        new HookupRow(3, "2", "Left", "Par", "", "1.4", "", ""),
                        new HookupRow(4, "3", "Par 3", "Par", "", "1.52", "", "")));
        Show held = new HoldToPaper(paper).apply(show).show();
        assertThat(told(held, "paper"))
                .containsExactly(
                        "2 is called “Par 2”, on the paper “Left”. (“hookup 24 Nov.csv”)"
                                + " [Take the paper's = name 2 \"Left\"]",
                        "3 is at 1.7, the paper says 1.52. (“hookup 24 Nov.csv”)"
                                + " [Take the paper's = patch 3 at 1.52]",
                        "4 is not on the paper: Par / rgb at 1.10. (“hookup 24 Nov.csv”)"
                                + " [Take the paper's = delete 4]");
        Show now = mended(mended(mended(held, "paper"), "paper"), "paper");
        assertThat(told(now, "paper")).isEmpty();
    }

    @Test
    void universes_that_lead_nowhere() {
        Show off = Rig.show("patch 1 as \"Par / rgb\" at 3.1", "universe 3 off");
        assertThat(told(off, "universe-off"))
                .containsExactly("Universe 3 is off, and 1 fixture is patched there. [Switch it on = universe 3 on]");
        assertThat(told(mended(off, "universe-off"), "universe-off")).isEmpty();
    }

    @Test
    void who_is_in_no_group_and_groups_of_nobody() {
        Show none = Rig.everyKind();
        assertThat(told(none, "no-group")).as("no groups at all: not begun").isEmpty();
        Show show = Rig.after(none, "11 thru 14", "record group 1 \"Washes\"");
        assertThat(told(show, "no-group").get(0))
                .startsWith("1 + 21 thru 23 + 31 + 41 + 51 + 61 are in no group.")
                .contains("[6 groups of their types = starter groups \"Dimmer\" + \"Par\"");
        assertThat(told(mended(show, "no-group"), "no-group")).isEmpty();
        Show empty = Rig.after(
                show,
                "mark 21 dead",
                "all where dead",
                "record group 2 \"Dead\" as recipe",
                "delete 11 thru 14",
                "21",
                "record group 3 \"Alone\"",
                "mark 31 dead",
                "mark 31 answered");
        assertThat(told(empty, "group-empty"))
                .containsExactly("Group 1 “Washes” has no members. [Delete it = delete group 1]");
        assertThat(told(empty, "group-dead"))
                .containsExactly(
                        "All of group 2 “Dead” was dead when brought up. (21) [They answer now = mark 21 answered]",
                        "All of group 3 “Alone” was dead when brought up. (21) [They answer now = mark 21 answered]");
        assertThat(told(mended(empty, "group-dead"), "group-empty"))
                .anyMatch(w -> w.startsWith("Group 2 “Dead” finds nothing. (all where dead)"));
    }

    @Test
    void palettes_that_miss_a_type_or_are_for_nobody() {
        Show show = Rig.show(
                "patch 1 as \"Dimmer / 1-slot\" at 1.1",
                "patch 2 as \"Par / rgb\" at 1.21",
                "1 at 40",
                "record intensity 3 \"Low\" per type",
                "clear all");
        assertThat(told(show, "palette-misses"))
                .hasSize(1)
                .allMatch(w -> w.startsWith("Intensity 3 “Low” gives Par nothing. (1 fixture")
                        && w.endsWith("[As Dimmer = fill intensity 3 for type \"Par\" from type \"Dimmer\"]"));
        assertThat(told(mended(show, "palette-misses"), "palette-misses")).isEmpty();
        Show gone = Rig.after(show, "delete 1");
        assertThat(told(gone, "palette-nobody"))
                .containsExactly(
                        "Intensity 3 “Low” holds values for types that are not patched. [Delete it = delete intensity 3]");
        assertThat(told(mended(gone, "palette-nobody"), "palette-nobody")).isEmpty();
    }

    private static Show washes(String... lines) {
        return Rig.after(
                Rig.show(
                        "patch 1 thru 4 as \"Wash / extended\" at 1.1",
                        "1 thru 4 pan at 30 tilt at 40",
                        "record position 3 \"Centre\"",
                        "clear all"),
                lines);
    }

    @Test
    void cues_that_could_move_in_the_dark_or_point_nowhere() {
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
        assertThat(told(show, "seen-moving"))
                .containsExactly("Cue 2: 1 head swings while it comes in. (it is dark in cue 1)"
                        + " [Move them in the dark = prepare cue 2 of list 1]");
        assertThat(told(mended(show, "seen-moving"), "seen-moving")).isEmpty();
        assertThat(told(show, "no-position"))
                .containsExactly("Cue 3: 1 head is lit and has no position. (3)"
                        + " [Give them Position 3 = give 3 position 3 in cue 3 of list 1]");
        assertThat(told(mended(show, "no-position"), "no-position")).isEmpty();
    }

    @Test
    void plain_values_are_tied_to_what_they_equal() {
        Show show = washes("1 + 2 at 50 pan at 30 tilt at 40", "record cue 1 \"Open\"", "clear all");
        assertThat(told(show, "plain"))
                .containsExactly("Cue 1 “Open” of list 1 “Main”: 2 of 2 units hold plain values."
                        + " [Tie to Position 3 = tidy cue 1 of list 1]");
        assertThat(told(mended(show, "plain"), "plain")).isEmpty();
        Show far = washes("1 at 50 pan at -130 tilt at 40", "record cue 1 \"Open\"", "clear all");
        assertThat(told(far, "plain"))
                .containsExactly("Cue 1 “Open” of list 1 “Main”: 1 of 1 unit holds plain values."
                        + " [Make palettes of them = tidy cue 1 of list 1 into palettes]");
        Show made = mended(far, "plain");
        assertThat(told(made, "plain")).isEmpty();
        assertThat(made.palettes())
                .filteredOn(p -> far.palette(p.id()).isEmpty())
                .extracting(Object::toString)
                .containsExactly("position 1 “Open”");
    }

    @Test
    void heads_that_turn_right_round_in_the_light() {
        Show show = washes(
                "1 at 50 pan at -100 tilt at 60",
                "record cue 1",
                "1 pan at 100 tilt at -60",
                "record cue 2",
                "1 pan at 90 tilt at -60",
                "record cue 3",
                "clear all");
        assertThat(told(show, "flipping"))
                .containsExactly("Cue 2: 1 head turns right round, in the light. (1; there is a shorter way from cue 1)"
                        + " [Flip them from here on = flip 1 in cue 2 thru 3 of list 1]");
        assertThat(told(mended(show, "flipping"), "flipping")).isEmpty();
        Show two = Rig.after(show, "delete cue 3");
        assertThat(told(two, "flipping").get(0)).endsWith("[Flip them in this cue alone = flip 1 in cue 2 of list 1]");
        assertThat(told(mended(two, "flipping"), "flipping")).isEmpty();
        Show dark = washes(
                "1 at 0 pan at -100 tilt at 60",
                "record cue 1",
                "1 pan at 100 tilt at -60",
                "record cue 2",
                "clear all");
        assertThat(told(dark, "flipping")).isEmpty();
    }

    @Test
    void effects_that_move_nothing() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 thru 14 sine of dimmer at 20 thru 80",
                "record effect 3 \"Swell\"",
                "record cue 1 \"Waves\"",
                "clear all",
                "edit effect 3 sine of ColorSub_C at 0 thru 100");
        assertThat(told(show, "effect-still"))
                .containsExactly(
                        "Cue 1 “Waves” of list 1 “Main”: 4 units refer to an effect that moves nothing there. (11 thru 14)"
                                + " [Take it out of there = take out 11 thru 14 from cue 1 of list 1 only Dimmer]");
        assertThat(told(mended(show, "effect-still"), "effect-still")).isEmpty();
    }

    @Test
    void names_used_twice() {
        Show show = Rig.after(
                Rig.everyKind(),
                "name 21 \"Lamp\"",
                "name 22 \"lamp \"",
                "21",
                "record group 1 \"Left\"",
                "22",
                "record group 4 \"left\"",
                "clear all");
        assertThat(told(show, "name-fixture"))
                .containsExactly("2 fixtures are called “Lamp”. (21 thru 22)"
                        + " [Number them 1 to 2 = name 21 thru 22 \"Lamp #\"]");
        assertThat(told(mended(show, "name-fixture"), "name-fixture")).isEmpty();
        assertThat(told(show, "name-group"))
                .containsExactly(
                        "Group 4 is called “left”, and so is 1." + " [Call 4 “left 2” = rename group 4 \"left 2\"]");
        assertThat(told(mended(show, "name-group"), "name-group")).isEmpty();
    }

    @Test
    void what_is_set_aside_comes_back_when_it_is_about_something_else() {
        Show show = Rig.show("add 1 thru 3 as \"Par / rgb\"");
        Finding open = of(show).open().get(0);
        Aside aside = new Aside(open.key(), open.words(), open.matter(), "spares", "2026-11-27");
        Outcome outcome = new SetAside(aside).apply(show);
        assertThat(outcome.words()).containsExactly("Sets aside: 1 thru 3 have no address. “spares”");
        Show set = outcome.show();
        assertThat(of(set).open()).isEmpty();
        assertThat(of(set).aside(of(set).all().get(0))).contains(aside);
        assertThat(chapter(set, "Patch").state()).isEqualTo(Chapter.State.READY);
        Show more = Rig.after(set, "add 4 as \"Par / rgb\"");
        assertThat(of(more).open()).hasSize(1);
        assertThat(of(more).before(of(more).open().get(0))).contains(aside);
        assertThat(of(Rig.after(more, "delete 4")).open()).isEmpty();
        assertThat(of(new TakeUpAgain(open.key()).apply(set).show()).open()).hasSize(1);
        assertThat(set.with(outcome.delta().reversed())).isEqualTo(show);
    }

    private static Chapter chapter(Show show, String name) {
        return Readiness.of(show, of(show)).stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void the_rail_counts_just_these_rows() {
        assertThat(Readiness.of(Show.empty("x"), of(Show.empty("x"))))
                .allMatch(c -> c.state() == Chapter.State.NOT_BEGUN);
        Show show = Rig.show(
                "patch 1 thru 3 as \"Par / rgb\" at 1.1",
                "patch 4 as \"Par / rgb\" at 1.2 share",
                "add 5 thru 9 as \"Par / rgb\"");
        assertThat(chapter(show, "Patch"))
                .isEqualTo(new Chapter("Patch", "2 open", "9 fixtures in 1 universe", Chapter.State.NEEDS_AN_EYE));
        assertThat(chapter(show, "Check").fact()).isEqualTo("2 open");
        assertThat(chapter(Rig.after(show, "mark 1 dead"), "Patch"))
                .isEqualTo(new Chapter("Patch", "1 wrong, 2 open", "9 fixtures in 1 universe", Chapter.State.WRONG));
    }

    @Test
    void another_show_than_the_version_that_was_kept_last() {
        Show show = Rig.everyKind();
        Findings same = Findings.of(show, Rig.ALL, Optional.of(LastVersion.of("Tuesday", Set.of(PartKinds.HAND))));
        assertThat(same.all()).isEqualTo(of(show).all());
        Findings other = Findings.of(
                show,
                Rig.ALL,
                Optional.of(
                        LastVersion.of("Tuesday 2", Set.of(PartKinds.UNIVERSES, PartKinds.CUES, PartKinds.VALUES))));
        Finding found = other.open(ChapterName.HAND_OVER).get(0);
        assertThat(found.words()).isEqualTo("The show is another than version “Tuesday 2”, which was kept last.");
        assertThat(found.beside()).isEqualTo("in patch, looks");
        assertThat(other.waysOut(found).get(0).line()).contains("save version \"Tuesday\"");
        assertThat(Readiness.of(show, other))
                .last()
                .satisfies(c -> assertThat(c.fact()).isEqualTo("1 open"));
    }
}
