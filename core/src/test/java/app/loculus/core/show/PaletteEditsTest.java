package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.palette.EditEntry;
import app.loculus.core.edit.palette.PaletteComparison;
import app.loculus.core.edit.starter.StarterPalette;
import app.loculus.core.edit.starter.StarterPalettes;
import app.loculus.core.palette.Coverage;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Scope;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.unit.Tint;
import app.loculus.core.value.AttributeValue;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is done with palettes that are there. */
class PaletteEditsTest {

    private static Palette palette(Show show, Kind kind, int number) {
        return show.palette(kind, number).orElseThrow();
    }

    private static Palette colour(Show show, int number) {
        return palette(show, Kind.COLOUR, number);
    }

    private static Given given(Show show, Palette palette, int number) {
        return show.resolver()
                .giver()
                .give(palette, UnitId.whole(show.patch().number(number).id()));
    }

    private static Show verdigris(String... more) {
        return Rig.after(
                Rig.after(
                        Rig.everyKind(),
                        "11 thru 14 colour xy 0.25, 0.39",
                        "record colour 1 \"Verdigris\"",
                        "clear all"),
                more);
    }

    @Test
    void the_preview_says_from_what_to_what_and_what_is_hidden() {
        Show show = Rig.after(
                Rig.everyKind(), "11 thru 14 zoom at 20 deg", "record beam 1 global", "11 thru 14 zoom at 30 deg");
        Outcome refused = Rig.say(show, "record beam 1");
        assertThat(refused.problems().get(0).waysOut().get(0).words())
                .isEqualTo("Merge: global 1 changed (Zoom 20 → 30)");
        Outcome own = Rig.say(show, "record beam 1 per type merge");
        assertThat(own.words().get(1)).isEqualTo("Wash 1 added; global for Wash 1 hidden by narrower ones (Zoom 20)");
        Outcome narrower = Rig.say(Rig.after(own.show(), "11 zoom at 9 deg"), "record beam 1 per fixture merge");
        assertThat(narrower.words().get(1)).contains("11 1 added", "Wash for 11", "hidden by narrower ones (Zoom 30)");
    }

    @Test
    void other_kinds_on_request_and_single_attributes_alone_or_left_out() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50 pan at 20 tilt at 10 zoom at 9 deg");
        assertThat(palette(Rig.after(show, "record position 1 with beam"), Kind.POSITION, 1)
                        .entries())
                .extracting(e -> e.attribute().name())
                .containsExactlyInAnyOrder("Pan", "Tilt", "Zoom");
        assertThat(palette(Rig.after(show, "record position 1 only Tilt"), Kind.POSITION, 1)
                        .entries())
                .extracting(e -> e.attribute().name())
                .containsExactly("Tilt");
        assertThat(palette(Rig.after(show, "record combined 1 without zoom, Pan"), Kind.COMBINED, 1)
                        .entries())
                .extracting(e -> e.attribute().name())
                .containsExactlyInAnyOrder("Dimmer", "Tilt");
    }

    @Test
    void a_palette_of_palettes_follows_them_and_a_circle_is_refused() {
        Show show = verdigris("11 colour 1", "record colour 2 keep references", "clear all", "21 + 31 colour 2");
        assertThat(colour(show, 2).followed()).containsExactly(colour(show, 1).id());
        assertThat(given(show, colour(show, 2), 31).values())
                .isEqualTo(given(show, colour(show, 1), 31).values());
        assertThat(given(show, colour(show, 2), 21).difference()).isPresent();
        Show changed = Rig.after(show, "clear all", "11 thru 14 colour xy 0.6, 0.35", "record colour 1 replace");
        assertThat(given(changed, colour(changed, 2), 21).values())
                .isEqualTo(given(changed, colour(changed, 1), 21).values());
        Outcome circle = Rig.say(Rig.after(show, "clear all", "11 colour 2"), "record colour 1 keep references merge");
        assertThat(circle.refused()).isTrue();
        assertThat(circle.problems().get(0).words()).contains("would follow itself");
    }

    @Test
    void what_others_follow_is_deleted_only_with_plain_values_left_behind() {
        Show show = verdigris("11 colour 1", "record colour 2 keep references", "clear all", "21 colour 2");
        Outcome refused = Rig.say(show, "delete colour 1");
        assertThat(refused.problems().get(0).words()).contains("is followed by colour 2");
        Given before = given(show, colour(show, 2), 21);
        Show deleted = Rig.after(show, "delete colour 1 as values");
        assertThat(colour(deleted, 2).followed()).isEmpty();
        assertThat(given(deleted, colour(deleted, 2), 11).values())
                .isEqualTo(given(show, colour(show, 2), 11).values());
        assertThat(before.follow()).isTrue();
    }

    @Test
    void tidying_changes_nobodys_output() {
        Show show = Rig.after(
                Rig.everyKind(), "11 thru 14 colour xy 0.25, 0.39", "record colour 1 per fixture", "all colour 1");
        Show tidied = Rig.after(show, "tidy colour 1");
        assertThat(colour(tidied, 1).narrowest()).isEqualTo(Scope.PER_TYPE);
        assertThat(new FrameRenderer().render(tidied.scene())).isEqualTo(new FrameRenderer().render(show.scene()));
        Show uneven = Rig.after(
                Rig.everyKind(), "11 zoom at 9 deg", "12 zoom at 20 deg", "11 + 12", "record beam 1 per fixture");
        assertThat(Rig.say(uneven, "tidy beam 1").words()).containsExactly("beam 1 “Beam 1” is tidy already");
    }

    @Test
    void narrowing_keeps_what_everybody_is_given() {
        Show show = verdigris("all colour 1");
        Show narrow = Rig.after(show, "narrow colour 1 per type");
        assertThat(colour(narrow, 1).narrowest()).isEqualTo(Scope.PER_TYPE);
        assertThat(given(narrow, colour(narrow, 1), 31).follows()).isEqualTo(Follows.TYPE);
        assertThat(new FrameRenderer().render(narrow.scene())).isEqualTo(new FrameRenderer().render(show.scene()));
    }

    @Test
    void copies_moves_marks_notes_and_times() {
        Show show = verdigris(
                "copy colour 1 to 5",
                "move colour 5 to 1",
                "tint colour 1 teal",
                "time colour 1 + 5 at 2.5",
                "note colour 1 \"For act two\"");
        assertThat(show.palettes())
                .extracting(Object::toString)
                .containsExactly("colour 1 “Verdigris copy”", "colour 5 “Verdigris”");
        assertThat(colour(show, 1).label().tint()).isEqualTo(Tint.TEAL);
        assertThat(colour(show, 1).label().note()).isEqualTo("For act two");
        assertThat(colour(show, 5).label().seconds()).contains(2.5);
        assertThat(Rig.say(show, "copy colour 1 to 5").refused()).isTrue();
        assertThat(colour(Rig.after(show, "time colour 5 off"), 5).label().seconds())
                .isEmpty();
    }

    @Test
    void one_value_is_changed_or_taken_out() {
        Show show = Rig.after(Rig.everyKind(), "11 thru 14 zoom at 20 deg", "record beam 1 global");
        Palette beam = palette(show, Kind.BEAM, 1);
        Outcome edited = new EditEntry(
                        beam.id(), new ScopeKey.Global(), Attribute.ZOOM, Optional.of(new AttributeValue.Physical(40)))
                .apply(show);
        assertThat(edited.words().get(0)).isEqualTo("beam 1 “Beam 1”: global 1 changed (Zoom 20 → 40)");
        Outcome gone = new EditEntry(beam.id(), new ScopeKey.Global(), Attribute.ZOOM, Optional.empty()).apply(show);
        assertThat(palette(gone.show(), Kind.BEAM, 1).entries()).isEmpty();
    }

    @Test
    void changed_while_in_use_it_goes_back_or_stays_with_these() {
        Show show = verdigris("11 thru 14 + 21 colour 1", "11 red at 40");
        Outcome back = Rig.say(show, "update colour 1");
        assertThat(given(back.show(), colour(back.show(), 1), 12).values().get(new Attribute("ColorAdd_R")))
                .isEqualTo(AttributeValue.level(0.4));
        assertThat(back.words()).contains("4 units in use follow", "1 unit follows it again");
        Show only = Rig.after(show, "update colour 1 per fixture");
        assertThat(given(only, colour(only, 1), 11).follows()).isEqualTo(Follows.OWN);
        assertThat(given(only, colour(only, 1), 12).values())
                .isEqualTo(given(show, colour(show, 1), 12).values());
        assertThat(Rig.say(only, "update colour 1").problems().get(0).code()).isEqualTo("palette.update");
    }

    @Test
    void what_was_corrected_for_a_type_is_corrected_for_that_type_again() {
        Show show = verdigris("11 thru 14 + 21 colour 1", "11 thru 14 red at 40");
        Show corrected = Rig.after(show, "update colour 1 per type");
        assertThat(given(corrected, colour(corrected, 1), 12).follows()).isEqualTo(Follows.TYPE);
        Show again = Rig.after(corrected, "11 thru 14 red at 60", "update colour 1");
        assertThat(given(again, colour(again, 1), 12).follows()).isEqualTo(Follows.TYPE);
        assertThat(given(again, colour(again, 1), 12).values().get(new Attribute("ColorAdd_R")))
                .isEqualTo(AttributeValue.level(0.6));
        for (int other : new int[] {21, 31, 41}) {
            assertThat(given(again, colour(again, 1), other).values())
                    .as("what " + other + " gets")
                    .isEqualTo(given(show, colour(show, 1), other).values());
        }
        assertThat(colour(again, 1).intent()).isEqualTo(colour(show, 1).intent());
    }

    @Test
    void several_move_at_once_and_whoever_stands_there_comes_to_where_they_were() {
        Show show = verdigris("copy colour 1 to 3", "rename colour 3 \"Kelp\"", "copy colour 1 to 8");
        Outcome moved = Rig.say(show, "move colour 8 + 1 to 2");
        assertThat(moved.show().palettes())
                .extracting(Object::toString)
                .containsExactly("colour 1 “Kelp”", "colour 2 “Verdigris copy”", "colour 3 “Verdigris”");
        assertThat(moved.words())
                .containsExactly(
                        "colour 8 “Verdigris copy” is number 2",
                        "colour 1 “Verdigris” is number 3",
                        "“Kelp” is number 1");
        Show next = Rig.after(show, "move colour 1 + 3 to 3");
        assertThat(colour(next, 3).name()).isEqualTo("Verdigris");
        assertThat(colour(next, 4).name()).isEqualTo("Kelp");
    }

    @Test
    void several_are_deleted_at_once_those_that_follow_others_first() {
        Show show = verdigris(
                "11 colour 1", "record colour 2 \"Follows\" keep references", "clear all", "copy colour 1 to 3");
        assertThat(Rig.say(show, "delete colour 1").refused()).isTrue();
        assertThat(Rig.after(show, "delete colour 1 + 2 + 3").palettes()).isEmpty();
        assertThat(Rig.say(show, "delete colour 1 + 3").refused()).isTrue();
        assertThat(Rig.after(show, "delete colour 1 + 3 as values").palettes()).hasSize(1);
    }

    @Test
    void of_two_palettes_taken_together_a_mix_comes_from_one_of_them() {
        Show show = verdigris(
                "21 + 22 colour xy 0.5, 0.3",
                "record colour 2 \"Rose\" global",
                "clear all",
                "take colour 2 into colour 1");
        assertThat(colour(show, 1).entries(new ScopeKey.Global()).keySet())
                .as("no white of the mix that made way")
                .containsExactlyInAnyOrderElementsOf(
                        colour(show, 2).entries(new ScopeKey.Global()).keySet());
    }

    @Test
    void two_palettes_side_by_side_tell_what_they_hold_and_what_types_make_of_them() {
        Show show = verdigris(
                "copy colour 1 to 2",
                "11 colour 2",
                "11 red at 40",
                "update colour 2 per type",
                "clear all",
                "11 zoom at 9 deg",
                "record beam 1 per type",
                "clear all");
        PaletteComparison same = PaletteComparison.of(show, colour(show, 1), colour(show, 1));
        assertThat(same.rows()).allMatch(PaletteComparison.ComparedRow::same);
        assertThat(same.types()).allMatch(t -> t.grade().equals("exact"));
        PaletteComparison two = PaletteComparison.of(show, colour(show, 1), colour(show, 2));
        assertThat(two.rows().stream().filter(r -> !r.same()))
                .extracting(PaletteComparison.ComparedRow::owner)
                .containsOnly("Wash");
        assertThat(two.types().stream().filter(t -> !t.grade().equals("exact")))
                .singleElement()
                .satisfies(t -> {
                    assertThat(t.type()).isEqualTo("Wash");
                    assertThat(t.otherWay()).isEqualTo("its type's values");
                    assertThat(t.one()).isNotEqualTo(t.other());
                });
        PaletteComparison unlike = PaletteComparison.of(show, colour(show, 1), palette(show, Kind.BEAM, 1));
        assertThat(unlike.types())
                .filteredOn(t -> t.type().equals("Par"))
                .allMatch(t -> t.otherWay().isEmpty());
    }

    /** However a value is changed by hand, it goes back into what it followed. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "61 nudge colour by 0.006, 0",
                "61 colour xy 0.26, 0.38",
                "61 white at 4000 k",
                "61 red at 40",
                "61 nudge green by -20"
            })
    void what_a_colour_was_changed_by_does_not_matter_to_taking_it_back(String change) {
        Show show = verdigris("61 colour 1", change);
        Show back = Rig.after(show, "update colour 1 per type");
        assertThat(given(back, colour(back, 1), 61).follows()).isEqualTo(Follows.TYPE);
        assertThat(new FrameRenderer().render(back.scene()))
                .as("it follows again, and nothing is seen of it")
                .isEqualTo(new FrameRenderer().render(show.scene()));
    }

    @Test
    void a_position_that_was_aimed_elsewhere_goes_back_too() {
        Show show = Rig.after(
                Rig.everyKind(),
                "place 11 at -4, 2, 6",
                "11 pan at 10",
                "record position 1",
                "clear all",
                "11 position 1 aim at 0, 3, 0",
                "update position 1");
        assertThat(given(show, show.palette(Kind.POSITION, 1).orElseThrow(), 11)
                        .values()
                        .get(Attribute.TILT))
                .isNotNull();
    }

    @Test
    void of_many_that_differ_a_few_are_named() {
        Show show = Rig.after(
                Rig.everyKind(), "patch 101 thru 120 as \"Par / rgb\" at 5.1", "101 thru 120 red at 10 thru 90");
        assertThat(Rig.say(show, "record colour 1").words().get(0))
                .contains("ColorAdd_R differs between 101, 102, 103, 104, 105, 106, 107, 108 and 12 more");
        assertThat(Rig.say(show, "record colour 1 global").problems().get(0).words())
                .contains("108 and 12 more, so it cannot be recorded global");
    }

    @Test
    void starter_palettes_know_every_slot_and_a_second_run_adds_only_what_is_new() {
        Show show = Rig.after(Rig.everyKind(), "starter palettes");
        assertThat(show.palette(Kind.INTENSITY, 6).orElseThrow().name()).isEqualTo("Full");
        assertThat(show.palettes())
                .extracting(Palette::name)
                .contains("White 3200 K", "Red", "Jade", "Zoom wide", "Straight down");
        Palette jade = show.palettes().stream()
                .filter(p -> p.name().equals("Jade"))
                .findFirst()
                .orElseThrow();
        assertThat(given(show, jade, 31).follows()).isEqualTo(Follows.TYPE);
        assertThat(given(show, jade, 41).values())
                .containsEntry(new Attribute("Color1"), new AttributeValue.Named("Jade"));
        List<StarterPalette> again = StarterPalettes.of(show);
        assertThat(again).noneMatch(StarterPalette::adds);
        assertThat(Rig.say(show, "starter palettes").problems().get(0).words())
                .isEqualTo("All of these palettes are there already.");
        Show without = Rig.after(Rig.show("patch 1 as \"Beam / wheel\" at 1.1"), "starter palettes");
        int before = without.palettes().size();
        Show more = Rig.after(without, "patch 2 as \"Wash / extended\" at 1.11", "starter palettes");
        assertThat(more.palettes().size() - before)
                .as("three zooms, home and straight down")
                .isEqualTo(5);
    }

    @Test
    void coverage_tells_of_each_type_how_it_follows() {
        Show show = verdigris("11 zoom at 20 deg", "record beam 1 per fixture");
        Coverage coverage = coverage(show, Optional.empty());
        List<String> types = coverage.types().stream()
                .map(t -> show.profiles().get(t.profile()).name())
                .toList();
        Coverage.Crossing beam = coverage.of(palette(show, Kind.BEAM, 1)).get(types.indexOf("Wash"));
        assertThat(beam.units()).containsEntry(Follows.OWN, 1).containsEntry(Follows.NONE, 3);
        assertThat(beam.gap()).as("recorded per fixture").isFalse();
        Show named = Rig.after(show, "clear all", "31 Color1 at \"Jade\"", "record combined 1 per type");
        Coverage.Crossing missed = coverage(named, Optional.of(coverage))
                .of(palette(named, Kind.COMBINED, 1))
                .get(types.indexOf("Beam"));
        assertThat(missed.gap()).isTrue();
        Coverage.Crossing wheel = coverage.of(colour(show, 1)).get(types.indexOf("Beam"));
        assertThat(wheel.needsAnEye()).isTrue();
        assertThat(coverage.of(colour(show, 1)).get(types.indexOf("Dimmer")).applies())
                .isFalse();
        assertThat(coverage.gaps()).isZero();
        assertThat(coverage(named, Optional.of(coverage)).gaps()).isEqualTo(1);
        Show corrected = Rig.after(show, "clear all", "11 colour 1 red at 10", "update colour 1 per type");
        assertThat(coverage(corrected, Optional.empty())
                        .of(colour(corrected, 1))
                        .get(types.indexOf("Wash")))
                .as("matched by eye is meant as it is")
                .satisfies(c -> assertThat(c.needsAnEye()).isFalse());
        Show another = Rig.after(show, "clear all", "11 colour 1 red at 100 green at 0", "update colour 1 per type");
        assertThat(coverage(another, Optional.empty()).of(colour(another, 1)).get(types.indexOf("Wash")))
                .as("plainly another colour")
                .satisfies(c -> assertThat(c.needsAnEye()).isTrue());
        Show filled = Rig.after(named, "fill combined 1 for type \"Beam\" from type \"Spot\"");
        assertThat(coverage(filled, Optional.of(coverage)).gaps()).isZero();
        assertThat(coverage(filled, Optional.of(coverage)).of(colour(filled, 1)))
                .as("taken over")
                .isSameAs(coverage.of(colour(show, 1)));
    }

    private static Coverage coverage(Show show, Optional<Coverage> before) {
        return Coverage.of(show.patch(), show.shelf(), show.resolver().giver(), before);
    }

    @Test
    void a_gap_is_filled_by_computing_or_from_a_like_type() {
        Show show = verdigris("fill colour 1 for type \"Spot\"");
        assertThat(given(show, colour(show, 1), 31).follows()).isEqualTo(Follows.TYPE);
        assertThat(given(show, colour(show, 1), 31).values())
                .isEqualTo(given(verdigris(), colour(verdigris(), 1), 31).values());
        Show wheel = Rig.after(
                Rig.everyKind(),
                "31 Color1 at \"Jade\"",
                "record colour 1 per type",
                "fill colour 1 for type \"Beam\" from type \"Spot\"");
        assertThat(given(wheel, colour(wheel, 1), 41).follows()).isEqualTo(Follows.TYPE);
        assertThat(Rig.say(wheel, "fill colour 1 for type \"Dimmer\"").refused())
                .isTrue();
    }

    @Test
    void one_palette_is_taken_into_another() {
        Show show = verdigris("31 Color1 at \"Jade\"", "record colour 2 per type", "take colour 2 into colour 1");
        assertThat(given(show, colour(show, 1), 31).values())
                .containsEntry(new Attribute("Color1"), new AttributeValue.Named("Jade"));
        assertThat(given(show, colour(show, 1), 11).follows()).isEqualTo(Follows.GLOBAL);
        assertThat(colour(show, 1).intent()).contains(new Chromaticity(.25, .39));
    }

    @Test
    void a_run_between_palettes_goes_through_the_colours_between() {
        Show show = Rig.after(
                verdigris(),
                "11 thru 14 colour xy 0.45, 0.35",
                "record colour 2",
                "clear all",
                "11 thru 14 colour 1 thru 2");
        assertThat(new FrameRenderer().render(show.scene())).isNotNull();
        UnitId first = UnitId.whole(show.patch().number(11).id());
        UnitId second = UnitId.whole(show.patch().number(12).id());
        assertThat(show.programmer().of(first).followed())
                .containsExactly(colour(show, 1).id());
        assertThat(show.programmer().of(second).followed()).isEmpty();
        Chromaticity a = new Chromaticity(.25, .39);
        Chromaticity b = new Chromaticity(.45, .35);
        Chromaticity third = Chromaticity.ofUv(a.u() + (b.u() - a.u()) / 3, a.v() + (b.v() - a.v()) / 3);
        assertThat(show.programmer()
                        .of(second)
                        .asked()
                        .orElseThrow()
                        .differenceTo(third)
                        .deltaUv())
                .isLessThan(1e-9);
    }

    @Test
    void types_whose_colours_differ_are_recorded_by_type_though_they_share_no_emitter() {
        Show show = Rig.after(Rig.everyKind(), "11 colour xy 0.2, 0.3", "31 colour xy 0.5, 0.4", "11 + 31");
        Outcome recorded = Rig.say(show, "record colour 1");
        assertThat(recorded.words().get(0))
                .startsWith("Records colour 1 “Colour 1”, per type (the colour differs between 11 and 31)");
        assertThat(recorded.show().palettes().get(0).intent()).isEmpty();
    }

    @Test
    void a_palette_of_one_palette_keeps_what_was_corrected_for_a_type() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 + 31 + 21 colour xy 0.3, 0.4",
                "record colour 1",
                "clear all",
                "21 colour xy 0.25, 0.35",
                "record colour 1 per type merge",
                "clear all",
                "11 + 21 + 31 colour 1");
        int[] before = Rig.slots(show, 220);
        Show of = Rig.after(show, "record colour 2 keep references", "clear all", "11 + 21 + 31 colour 2");
        assertThat(Rig.slots(of, 220)).containsExactly(before);
        Show left = Rig.after(of, "delete colour 1 as values");
        assertThat(Rig.slots(left, 220)).containsExactly(before);
        assertThat(Rig.slots(Rig.after(left, "clear all", "11 + 21 + 31 colour 2"), 220))
                .containsExactly(before);
    }

    @Test
    void a_type_that_follows_a_combined_palette_in_part_says_in_which() {
        Show show =
                Rig.after(Rig.everyKind(), "1 + 11 at 40", "11 pan at 30", "1 + 11", "record combined 1", "clear all");
        assertThat(Rig.say(Rig.after(show, "1"), "combined 1").words())
                .contains("1 × Dimmer: own values, intensity only");
        assertThat(Rig.say(Rig.after(show, "11"), "combined 1").words()).contains("1 × Wash: own values");
        Show timed = Rig.after(show, "time combined 1 at 4", "11");
        assertThat(Rig.say(timed, "combined 1").words())
                .contains("By hand it is there at once; its 4 s play where a cue refers to it");
    }
}
