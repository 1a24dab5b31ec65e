package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.desk.EffectSteps;
import app.loculus.core.edit.effect.EffectWords;
import app.loculus.core.edit.starter.StarterEffects;
import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is done with effects, and what becomes of them when what they go by changes. */
class EffectEditsTest {

    private static Show washes(String... lines) {
        return Rig.of(Rig.WASH, lines);
    }

    private static Show swell(String... lines) {
        return Rig.after(
                washes("1 thru 4 sine of dimmer at 20 thru 80 rate 30 offset round", "record effect 3 \"Swell\""),
                lines);
    }

    private static Effect effect(Show show, int number) {
        return show.effects().stream()
                .filter(e -> e.number().equals(Optional.of(number)))
                .findFirst()
                .orElseThrow();
    }

    private static UnitValues values(Show show, int number) {
        return show.programmer().of(UnitId.whole(show.patch().number(number).id()));
    }

    private static AttributeValue value(Show show, int number, String attribute) {
        return values(show, number)
                .get(new Attribute(attribute))
                .map(Touched::value)
                .orElseThrow();
    }

    private static String refusal(Show show, String line) {
        Outcome outcome = Rig.say(show, line);
        assertThat(outcome.refused()).as(line).isTrue();
        assertThat(outcome.show()).isEqualTo(show);
        return outcome.problems().get(0).words();
    }

    @Test
    void what_is_set_says_what_it_does_and_is_gone_when_nothing_refers_to_it() {
        Show show = washes("1 thru 4");
        Outcome set = Rig.say(show, "sine of dimmer at 20 thru 80 rate 30 offset round");
        assertThat(set.words())
                .containsExactly(
                        "sine of Dimmer between 20 % and 80 %, 30 a minute, offset round for 4 units in 4 steps");
        assertThat(set.show().all(PartKinds.EFFECTS)).hasSize(1);
        Outcome cleared = Rig.say(set.show(), "clear all");
        assertThat(cleared.show().all(PartKinds.EFFECTS)).isEmpty();
        assertThat(cleared.show().with(cleared.delta().reversed())).isEqualTo(set.show());
    }

    @Test
    void recording_gives_it_a_number_and_a_name_and_everybody_goes_on_referring_to_it() {
        Show show = washes("1 thru 4 sine of dimmer at 20 thru 80");
        Outcome recorded = Rig.say(show, "record effect");
        assertThat(recorded.words().get(0)).startsWith("Records effect 1 “Sine of Dimmer”: sine of Dimmer between");
        assertThat(EffectUsers.units(recorded.show(), effect(recorded.show(), 1).id()))
                .hasSize(4);
        assertThat(refusal(recorded.show(), "record effect 2"))
                .isEqualTo("What moves them is effect 1 “Sine of Dimmer” already.");
        assertThat(refusal(washes("1 at 50"), "record effect 1")).isEqualTo("Nothing that is set moves.");
    }

    @Test
    void onto_one_that_is_there_it_is_said_who_follows() {
        Show show = swell("record cue 1 \"Waves\"", "clear all", "1 + 2 triangle of dimmer at 0 thru 100 rate 12");
        assertThat(refusal(show, "record effect 3")).startsWith("effect 3 “Swell” is there already");
        Outcome replaced = Rig.say(show, "record effect 3 replace");
        assertThat(replaced.words())
                .containsExactly(
                        "Changes effect 3 “Swell”: triangle of Dimmer between 0 % and 100 %, 12 a minute, offset 0",
                        "2 units in use follow", "Changes with it: cue 1 “Waves” of list 1 “Main”");
        assertThat(replaced.show().all(PartKinds.EFFECTS)).hasSize(1);
        assertThat(value(replaced.show(), 1, "Dimmer").moved().orElseThrow().effect())
                .isEqualTo(effect(replaced.show(), 3).id());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rate 45 | sine of Dimmer between 20 % and 80 %, 45 a minute, offset round",
                "size 20 | sine of Dimmer between 40 % and 60 %, 30 a minute, offset round",
                "at 0 thru 50 | sine of Dimmer between 0 % and 50 %, 30 a minute, offset round",
                "square duty 25 | square of Dimmer between 20 % and 80 %, duty 25 %, 30 a minute, offset round",
                "random seed 9 | random of Dimmer between 20 % and 80 %, seed 9, 30 a minute, offset round",
                "blocks of 2 mirror reverse | sine of Dimmer between 20 % and 80 %, 30 a minute, offset round blocks of 2 mirror reverse",
                "offset 0 thru 50 | sine of Dimmer between 20 % and 80 %, 30 a minute, offset 0 thru 50",
                "offset round 3 from 25 | sine of Dimmer between 20 % and 80 %, 30 a minute, offset round 3 from 25",
                "ramp of zoom at 10 thru 90 rate 6 | ramp of Zoom between 10 % and 90 %, 6 a minute, offset round"
            })
    void everything_about_it_can_be_changed(String change, String words) {
        Show show = swell();
        Outcome changed = Rig.say(show, "edit effect 3 " + change);
        assertThat(changed.problems()).isEmpty();
        assertThat(EffectWords.of(changed.show(), effect(changed.show(), 3))).isEqualTo(words);
        assertThat(Rig.after(show, "edit effect " + change))
                .as("what moves the selected")
                .isEqualTo(changed.show());
        // What it says of itself in the line makes the same again.
        Show again = Rig.after(washes(
                "1 thru 4 " + EffectWords.line(changed.show(), effect(changed.show(), 3)),
                "record effect 3 \"Swell\""));
        assertThat(effect(again, 3).movements())
                .isEqualTo(effect(changed.show(), 3).movements());
        assertThat(effect(again, 3).rate()).isEqualTo(effect(changed.show(), 3).rate());
        assertThat(effect(again, 3).along()).isEqualTo(effect(changed.show(), 3).along());
    }

    @ParameterizedTest
    @ValueSource(strings = {"crossfade 20", "turned 45", "around off", "circle"})
    void what_it_has_not_is_not_changed(String change) {
        assertThat(refusal(swell(), "edit effect 3 " + change)).contains("effect 3 “Swell”");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "part 2 size 9 | sine of Dimmer between 20 % and 80 % and circle of 9° relative to the position below",
                "part 1 size 10 | sine of Dimmer between 45 % and 55 % and circle of 20° relative to the position below",
                "size 10 | sine of Dimmer between 45 % and 55 % and circle of 10° relative to the position below",
                "part 2 eight | sine of Dimmer between 20 % and 80 % and eight of 20° relative to the position below",
                "part 2 ramp of zoom size 8 | sine of Dimmer between 20 % and 80 % and ramp of Zoom by 8 % relative to the level below",
                "part 1 off | circle of 20° relative to the position below",
                "part 2 off also ramp of zoom size 8 | sine of Dimmer between 20 % and 80 % and ramp of Zoom by 8 % relative to the level below",
            })
    void one_of_several_things_that_it_does_is_changed_added_or_taken_out(String change, String words) {
        Show both = swell("edit effect 3 also circle of position size 20");
        assertThat(effect(both, 3).movements()).hasSize(2);
        Show changed = Rig.after(both, "edit effect 3 " + change);
        assertThat(EffectWords.of(changed, effect(changed, 3))).isEqualTo(words + ", 30 a minute, offset round");
    }

    @Test
    void a_part_that_is_not_there_and_the_last_one_are_left() {
        assertThat(refusal(swell(), "edit effect 3 part 2 size 9"))
                .isEqualTo("effect 3 “Swell” does 1 thing at once; there is no part 2.");
        assertThat(refusal(swell(), "edit effect 3 part 1 off")).contains("all that effect 3 “Swell” does");
        assertThat(refusal(swell("edit effect 3 also circle of position size 20"), "edit effect 3 part 1 turned 45"))
                .isEqualTo("Part 1 of effect 3 “Swell” has no “turned”.");
    }

    @Test
    void figures_outside_their_range_are_refused() {
        assertThat(refusal(swell(), "edit effect 3 rate 601")).contains("outside 0 to 600");
        assertThat(refusal(swell(), "1 effect 3 rate 900")).contains("outside 0 to 600");
        assertThat(refusal(swell(), "1 effect 3 size 1001")).contains("outside 0 to 1000");
        assertThat(refusal(washes("1"), "sine of dimmer at 20 thru 180")).contains("outside 0 to 100 %");
        assertThat(refusal(washes("1"), "sine of pan at -400 thru 0")).contains("outside -270 to 270");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "sine of dimmer | It is not said from where to where.",
                "sine of colour at 10 thru 20 | “colour” as a whole moves between palettes.",
                "sine of nonsense at 10 thru 20 | Nothing that is patched has nonsense.",
                "effect 9 | There is no effect 9.",
                "effect \"Nope\" | There is no effect “Nope”.",
                "circle of position around mark \"Nope\" | There is no mark “Nope”.",
                "run colour 3 thru 5 | There is no colour 3.",
                "effect 3 off | Nothing selected is moved by effect 3 “Swell”."
            })
    void what_cannot_be_is_said_where_it_stands(String line, String words) {
        assertThat(refusal(swell("clear all", "1"), line)).isEqualTo(words);
    }

    @Test
    void several_move_at_once_and_a_later_one_takes_only_what_it_moves() {
        Show show = washes(
                "1 thru 4 sine of dimmer at 20 thru 80 and circle of position size 30 rate 12",
                "1 + 2 ramp of dimmer at 0 thru 50");
        assertThat(values(show, 1).moved()).hasSize(2);
        assertThat(values(show, 3).moved()).hasSize(1);
        assertThat(show.all(PartKinds.EFFECTS)).hasSize(2);
        Show ended = Rig.after(show, "1 + 2 effects off");
        assertThat(values(ended, 1).isEmpty()).isTrue();
        assertThat(ended.all(PartKinds.EFFECTS)).hasSize(1);
    }

    @Test
    void who_has_nothing_of_it_stays_and_who_is_dark_is_counted() {
        Show show = Rig.everyKind();
        Outcome circle = Rig.say(show, "11 thru 14 + 1 circle of position size 20");
        assertThat(circle.problems())
                .extracting(p -> p.words())
                .containsExactly(
                        "1 × Dimmer has nothing of it and stays as it is.",
                        "All of them are dark and stay so: it carries no light.");
        Outcome lit = Rig.say(Rig.after(show, "11 + 12 at 40"), "11 thru 14 circle of position size 20");
        assertThat(lit.problems())
                .extracting(p -> p.words())
                .containsExactly("2 of 4 are dark and stay so: it carries no light.");
        Show palettes = Rig.after(
                show, "11 at 0", "record intensity 1 \"Out\"", "11 at 90", "record intensity 2 \"Most\"", "clear all");
        assertThat(Rig.say(palettes, "11 run intensity 1 + 2").problems())
                .as("it moves light itself")
                .isEmpty();
    }

    @Test
    void cells_move_on_their_own_and_a_whole_fixture_passes_it_on() {
        Show show = Rig.after(Rig.everyKind(), "51 at full", "51 sine of red at 0 thru 100 offset round");
        for (int cell = 1; cell <= 4; cell++) {
            UnitId unit = new UnitId(show.patch().number(51).id(), cell);
            assertThat(show.programmer()
                            .of(unit)
                            .get(new Attribute("ColorAdd_R"))
                            .orElseThrow()
                            .value()
                            .moved()
                            .orElseThrow()
                            .steps())
                    .isEqualTo(1);
        }
        Show cells = Rig.after(show, "51 cells", "sine of red at 0 thru 100 offset round");
        UnitId third = new UnitId(cells.patch().number(51).id(), 3);
        assertThat(cells.programmer().of(third).moved().get(0).step()).isEqualTo(2);
        assertThat(cells.programmer().of(third).moved().get(0).steps()).isEqualTo(4);
    }

    @Test
    void those_it_moves_are_found_and_a_group_of_them_follows() {
        Show show = swell("2 + 4 effects off");
        Show found = Rig.after(show, "all where uses effect 3", "record group 1 \"Moving\" as recipe", "clear all");
        assertThat(show.chosen(Rig.after(show, "all where uses effect 3").hand().asked())
                        .units())
                .hasSize(2);
        assertThat(found.units(found.groups().get(0)).units()).isEmpty();
        Show again = Rig.after(found, "1 thru 3 effect 3");
        assertThat(again.units(again.groups().get(0)).units()).hasSize(3);
        Show deleted = Rig.after(again, "delete effect 3");
        assertThat(deleted.groups().get(0).content().choice().effects())
                .as("those there were")
                .isEmpty();
        assertThat(deleted.units(deleted.groups().get(0)).units()).hasSize(3);
    }

    @Test
    void one_that_looks_use_is_not_deleted_without_a_word() {
        Show show = swell("record cue 1 \"Waves\"", "1 thru 4 at 33", "1 sine of dimmer size 10", "record cue 2");
        assertThat(refusal(show, "delete effect 3"))
                .isEqualTo("effect 3 “Swell” moves lights in cue 1 “Waves” of list 1 “Main”.");
        Outcome deleted = Rig.say(show, "delete effect 3 as values");
        assertThat(deleted.words()).contains("Standing still now: cue 1 “Waves” of list 1 “Main”");
        Show after = deleted.show();
        UnitValues first = after.look(
                        after.cues(after.lists().get(0).id()).get(0).look())
                .values()
                .get(UnitId.whole(after.patch().number(1).id()));
        assertThat(first.get(Attribute.DIMMER).orElseThrow().value()).isEqualTo(AttributeValue.level(.5));
        assertThat(after.with(deleted.delta().reversed())).isEqualTo(show);
    }

    @Test
    void what_it_goes_through_and_around_stays_as_long_as_it_does() {
        Show show = washes(
                "mark \"Slip\" at 0, 3, 0",
                "1 thru 4 pan at 10",
                "record position 1 \"A\"",
                "1 thru 4 pan at 50",
                "record position 2 \"B\"",
                "clear all",
                "1 thru 4 run position 1 + 2 and circle of position size 1 around mark \"Slip\"",
                "record effect 1 \"Both\"");
        assertThat(refusal(show, "delete position 2")).contains("effect 1 “Both”");
        assertThat(refusal(show, "delete mark \"Slip\"")).isEqualTo("Around “Slip” goes effect 1 “Both”.");
        Outcome gone = Rig.say(show, "delete position 2 as values");
        assertThat(gone.words()).contains("No longer through it: effect 1 “Both”");
        assertThat(effect(gone.show(), 1).palettes()).hasSize(1);
        Show left = Rig.after(
                washes("1 thru 4 at 20", "record intensity 1 \"A\"", "clear all", "1 thru 4 run intensity 1"),
                "delete intensity 1 as values",
                "record effect 1");
        assertThat(EffectWords.of(left, effect(left, 1))).startsWith("nothing any more");
        Show other = Rig.after(gone.show(), "edit effect 1 around off", "delete mark \"Slip\"");
        assertThat(other.marks()).isEmpty();
    }

    @Test
    void niches_are_copied_moved_and_renamed() {
        Show show = swell("copy effect 3 to 5", "rename effect 5 \"Tide\"", "move effect 5 to 3");
        assertThat(show.effects()).extracting(Object::toString).containsExactly("effect 3 “Tide”", "effect 5 “Swell”");
        assertThat(EffectUsers.units(show, effect(show, 5).id()))
                .as("they go on")
                .hasSize(4);
        assertThat(refusal(show, "copy effect 5 to 3")).startsWith("effect 3 “Tide” is there already.");
    }

    @Test
    void looks_refer_to_it_are_narrowed_and_taken_out_of() {
        Show show = washes(
                "1 thru 4 pan at 20 tilt at 5",
                "record position 7 \"Slip\"",
                "clear all",
                "1 thru 4 position 7",
                "1 thru 4 circle of position size 20",
                "1 thru 4 sine of dimmer at 20 thru 80",
                "record cue 1 \"Both\"",
                "record cue 2 \"Places\" with position");
        var cues = show.cues(show.lists().get(0).id());
        var both = show.look(cues.get(0).look());
        assertThat(both.moved()).hasSize(2);
        assertThat(both.followed()).as("what it moves around").hasSize(1);
        assertThat(show.look(cues.get(1).look()).moved()).hasSize(1);
        Show out = Rig.after(show, "take out 1 thru 4 from cue 1 with intensity");
        assertThat(out.look(cues.get(0).look()).moved()).hasSize(1);
    }

    @Test
    void palettes_recorded_while_something_moves_hold_what_it_moves_around() {
        Show show = washes("1 thru 4 pan at 20 tilt at 5", "1 thru 4 circle of position size 20");
        Show recorded = Rig.after(show, "record position 1 \"Middle\"");
        assertThat(recorded.palettes().get(0).entries())
                .noneMatch(e -> e.value().moved().isPresent());
        Map<Attribute, AttributeValue> given = recorded.resolver()
                .giver()
                .give(
                        recorded.palettes().get(0),
                        UnitId.whole(show.patch().number(1).id()))
                .values();
        assertThat(given.get(Attribute.PAN)).isEqualTo(new AttributeValue.Physical(20));
    }

    @Test
    void another_type_moves_what_it_has() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 + 12 at 40",
                "11 + 12 sine of dimmer at 20 thru 80 and circle of position size 9",
                "record effect 1 \"Both\"",
                "change 11 to \"Dimmer / 1-slot\" take over");
        assertThat(values(show, 11).byAttribute()).containsOnlyKeys(Attribute.DIMMER);
        Show deleted = Rig.after(show, "delete 11");
        assertThat(EffectUsers.units(deleted, effect(deleted, 1).id())).hasSize(1);
    }

    private static List<String> movedIn(Map<UnitId, UnitValues> values) {
        return values.entrySet().stream()
                .flatMap(e -> e.getValue().byAttribute().entrySet().stream()
                        .filter(a -> a.getValue().value() instanceof AttributeValue.Moved)
                        .map(a -> e.getKey().cell() + " " + a.getKey().name()))
                .toList();
    }

    @Test
    void cells_follow_an_effect_that_comes_to_move_them_in_hand_and_in_looks() {
        Show before = Rig.after(
                Rig.everyKind(),
                "51 sine of dimmer at 20 thru 80",
                "record effect 1 \"Wave\"",
                "record cue 1 \"Waves\"");
        assertThat(movedIn(before.programmer().values())).contains("0 Dimmer").doesNotContain("1 ColorAdd_R");
        Show after = Rig.after(before, "edit effect 1 sine of red at 0 thru 100");
        assertThat(movedIn(after.programmer().values()))
                .contains("1 ColorAdd_R", "2 ColorAdd_R", "3 ColorAdd_R", "4 ColorAdd_R");
        assertThat(movedIn(
                        after.look(after.cues(after.lists().get(0).id()).get(0).look())
                                .values()))
                .contains("1 ColorAdd_R", "4 ColorAdd_R");
        assertThat(after.look(after.cues(after.lists().get(0).id()).get(0).look())
                        .values()
                        .values())
                .as("what the rest of the mix happens to be on stage does not come into the cue")
                .allSatisfy(v -> assertThat(v.byAttribute().values())
                        .allSatisfy(t -> assertThat(t.value()).isInstanceOf(AttributeValue.Moved.class)));
        // And back from the cells to the whole of them.
        Show cells = Rig.after(
                Rig.everyKind(),
                "51 sine of red at 0 thru 100",
                "record effect 1 \"Wave\"",
                "edit effect 1 sine of dimmer at 20 thru 80");
        assertThat(movedIn(cells.programmer().values())).contains("0 Dimmer");
        Show one = Rig.after(
                Rig.everyKind(),
                "51.2 sine of red at 0 thru 100",
                "record effect 1 \"Wave\"",
                "edit effect 1 sine of dimmer at 20 thru 80");
        assertThat(movedIn(one.programmer().values()))
                .as("one cell is not the whole")
                .doesNotContain("0 Dimmer");
    }

    @Test
    void modes_that_a_changed_effect_needs_are_set_and_what_was_set_to_something_else_stays() {
        Show panel = Rig.after(Rig.everyKind(), "61 sine of dimmer at 20 thru 80", "record effect 1 \"Wave\"");
        assertThat(values(panel, 61).byAttribute().values()).noneMatch(Touched::companion);
        Show red = Rig.after(panel, "edit effect 1 sine of red at 0 thru 100");
        Show anew = Rig.after(Rig.everyKind(), "61 sine of red at 0 thru 100");
        Map<Attribute, Touched> companions =
                new java.util.LinkedHashMap<>(values(red, 61).byAttribute());
        companions.values().removeIf(t -> !t.companion());
        assertThat(companions).isNotEmpty();
        assertThat(values(anew, 61).byAttribute()).containsAllEntriesOf(companions);
        Show zoomed = Rig.after(
                Rig.everyKind(),
                "11 zoom at 20",
                "11 sine of dimmer at 20 thru 80",
                "record effect 1 \"Wave\"",
                "edit effect 1 also sine of zoom at 0 thru 100");
        assertThat(value(zoomed, 11, "Zoom")).isInstanceOf(AttributeValue.Level.class);
    }

    @Test
    void the_desk_says_who_stands_where() {
        Show show = swell();
        EffectSteps used = EffectSteps.of(show, effect(show, 3));
        assertThat(used.used()).isTrue();
        assertThat(used.steps()).extracting(EffectSteps.At::offset).containsExactly(0.0, .25, .5, .75);
        Show own = Rig.after(show, "2 effect 3 rate 60");
        assertThat(EffectSteps.of(own, effect(own, 3)).steps())
                .extracting(at -> at.units().size() + " at " + at.use().rate().orElse(30.0))
                .containsExactlyInAnyOrder("1 at 30.0", "1 at 60.0", "1 at 30.0", "1 at 30.0");
        Show cleared = Rig.after(show, "clear all", "3 + 1 mirror");
        EffectSteps wouldBe = EffectSteps.of(cleared, effect(cleared, 3));
        assertThat(wouldBe.used()).isFalse();
        assertThat(wouldBe.steps()).hasSize(1);
        assertThat(wouldBe.able()).isEqualTo(2);
    }

    @Test
    void starters_are_those_that_somebody_can_do() {
        assertThat(StarterEffects.of(Rig.of(Rig.DIMMER)))
                .extracting(Effect::name)
                .containsExactly("Level wave", "Sparkle");
        Show washes = Rig.after(washes("starter palettes"), "starter effects");
        assertThat(washes.effects())
                .extracting(Effect::name)
                .containsExactly(
                        "Level wave", "Sparkle", "Colours round", "Circle", "Eight", "Sweep", "Zoom breathing");
        assertThat(refusal(washes, "starter effects")).isEqualTo("All of these effects are there already.");
        Show one = Rig.after(washes(), "starter effects \"Circle\" + \"Eight\"");
        assertThat(one.effects()).hasSize(2);
        assertThat(Rig.say(Show.empty("Bare"), "starter effects").refused()).isTrue();
    }

    @Test
    void the_same_lines_make_the_same_show() {
        List<String> lines = List.of(
                "1 thru 4 random of zoom at 10 thru 90 seed 4 offset round",
                "record effect 2 \"Chance\"",
                "record submaster 1 \"Chance\"",
                "edit effect 2 seed 5");
        assertThat(washes(lines.toArray(String[]::new))).isEqualTo(washes(lines.toArray(String[]::new)));
    }
}
