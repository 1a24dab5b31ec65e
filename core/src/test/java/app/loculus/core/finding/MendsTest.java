package app.loculus.core.finding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.look.Look;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.show.HandLines;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What mends a finding and must leave the light as it is. */
class MendsTest {

    /** Further seeds: {@code -Dlaw.seeds=400}. */
    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 12));
    }

    /** What each channel of what a look holds is sent; what stands at home is left out. */
    private static Map<String, Long> sent(Show show, Look look) {
        Map<String, Long> sent = new LinkedHashMap<>();
        look.values().forEach((unit, values) -> {
            Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
            show.resolver()
                    .held(unit, values)
                    .forEach((attribute, held) -> mode.parameter(unit.cell(), attribute)
                            .flatMap(p -> held.value().in(mode, p))
                            .ifPresent(place -> sent.put(show.label(unit) + " " + attribute, place.dmx())));
        });
        return sent;
    }

    private static Look first(Show show) {
        return show.look(show.cues(show.lists().get(0).id()).get(0).look());
    }

    /** Over fixtures of every awkward kind, whatever was set by hand. */
    @ParameterizedTest
    @MethodSource("seeds")
    void palettes_made_of_a_look_give_just_what_it_held(long seed) {
        Show show = HandLines.after(Rig.awkward(), HandLines.of(seed, 16));
        Outcome recorded = Rig.say(show, "record cue 1 \"As set\"");
        if (recorded.refused()) {
            return;
        }
        Show before = Rig.after(recorded.show(), "clear all");
        Outcome tidied = Rig.say(before, "tidy cue 1 into palettes");
        if (tidied.refused()) {
            return;
        }
        Show after = tidied.show();
        assertThat(sent(after, first(after))).isEqualTo(sent(before, first(before)));
        assertThat(after.programmer()).isEqualTo(before.programmer());
        assertThat(after.hand()).isEqualTo(before.hand());
        assertThat(after.palettes().size())
                .isGreaterThanOrEqualTo(before.palettes().size());
        assertThat(after.with(tidied.delta().reversed())).isEqualTo(before);
    }

    @Test
    void palettes_made_of_a_look_are_called_as_it_is_and_one_of_each_kind() {
        Show before = Rig.after(
                Rig.awkward(),
                "1 + 2 at 50 pan at -40 thru 40 tilt at 20",
                "1 + 2 + 31 colour xy 0.4, 0.42",
                "record cue 4 \"Dawn\"",
                "clear all");
        Outcome tidied = Rig.say(before, "tidy cue 4 into palettes");
        assertThat(tidied.show().palettes())
                .filteredOn(p -> before.palette(p.id()).isEmpty())
                .extracting(p -> p.kind() + " " + p.name())
                .containsExactlyInAnyOrder(Kind.POSITION + " Dawn", Kind.COLOUR + " Dawn");
        assertThat(tidied.words()).last().isEqualTo("Nothing plain is left");
        Show again =
                Rig.after(tidied.show(), "1 pan at 99 tilt at 10", "record cue 5 \"Dawn\"", "tidy cue 5 into palettes");
        assertThat(again.palettes()).extracting(Palette::name).contains("Dawn 2");
    }

    private static Vector3 beam(Show show, Palette palette, Fixture head) {
        Mode mode = show.patch().modeOf(head);
        Map<Attribute, AttributeValue> given =
                show.resolver().giver().give(palette, UnitId.whole(head.id())).values();
        return head.pose()
                .orElseThrow()
                .beam(degrees(mode, given, Attribute.PAN), degrees(mode, given, Attribute.TILT));
    }

    private static double degrees(Mode mode, Map<Attribute, AttributeValue> given, Attribute attribute) {
        return given.get(attribute)
                .in(mode, mode.parameter(0, attribute).orElseThrow())
                .map(place -> place.function().physicalOf(place.fraction()))
                .orElseThrow();
    }

    private static Show heads() {
        return Rig.after(
                Rig.everyKind(),
                "place 11 thru 14 at -3,2,6 thru 3,2,6",
                "mark \"Chair\" at 1, 4, 0",
                "11 thru 14 aim at mark \"Chair\"",
                "record position 7 \"Chair\" at mark \"Chair\"",
                "11 thru 14 pan at 30 tilt at 40",
                "record position 8 \"Down\"",
                "clear all");
    }

    @Test
    void a_flip_in_a_position_points_where_it_pointed_and_stays_at_its_mark() {
        Show before = heads();
        for (int number : List.of(7, 8)) {
            Palette was = before.palette(Kind.POSITION, number).orElseThrow();
            Show after = Rig.after(before, "flip 11 + 13 in position " + number);
            Palette is = after.palette(Kind.POSITION, number).orElseThrow();
            assertThat(is.aim()).isEqualTo(was.aim());
            for (Fixture head : after.patch().fixtures()) {
                if (List.of(11, 12, 13, 14).contains(head.number())) {
                    assertThat(beam(after, is, head)
                                    .minus(beam(before, was, head))
                                    .length())
                            .as("%s in %s", head, is)
                            .isCloseTo(0, within(2e-3));
                    double turned = pan(after, is, head) - pan(before, was, head);
                    assertThat(Math.abs(turned)).isCloseTo(head.number() % 2 == 1 ? 180 : 0, within(.1));
                }
            }
        }
        Show moved = Rig.after(before, "flip 11 in position 7", "mark \"Chair\" at -1, 4, 0");
        Palette there = moved.palette(Kind.POSITION, 7).orElseThrow();
        Fixture head = moved.patch().number(11);
        Vector3 to = new Vector3(-1, 4, 0).minus(head.pose().orElseThrow().place());
        assertThat(beam(moved, there, head).dot(to) / to.length())
                .as("a head that was flipped goes along with its mark")
                .isCloseTo(1, within(1e-5));
    }

    private static double pan(Show show, Palette palette, Fixture head) {
        return degrees(
                show.patch().modeOf(head),
                show.resolver().giver().give(palette, UnitId.whole(head.id())).values(),
                Attribute.PAN);
    }

    @Test
    void heads_that_turn_are_flipped_in_the_position_they_follow() {
        Show show = Rig.after(
                heads(),
                "11 thru 14 at 60 pan at -150 tilt at 70",
                "record position 1 \"One\" replace",
                "11 thru 14 pan at 100 tilt at -60",
                "record position 2 \"Two\" replace",
                "clear all",
                "11 thru 14 at 60 position 1",
                "record cue 1",
                "clear all",
                "11 thru 14 position 2",
                "record cue 2",
                "clear all");
        Findings findings = Findings.of(show, Rig.ALL);
        Finding turning = findings.all().stream()
                .filter(f -> f.rule().equals("flipping"))
                .findFirst()
                .orElseThrow();
        assertThat(findings.waysOut(turning).get(0).line()).contains("flip 11 thru 14 in position 2");
        Show mended = Rig.after(show, "flip 11 thru 14 in position 2");
        assertThat(Findings.of(mended, Rig.ALL).all()).noneMatch(f -> f.rule().equals("flipping"));
        Show back = Rig.after(mended, "flip 11 thru 14 in position 2");
        assertThat(Findings.of(back, Rig.ALL).all()).anyMatch(f -> f.rule().equals("flipping"));
    }

    @Test
    void far_off_colours_are_kept_as_they_come_out() {
        Show show = Rig.after(Rig.everyKind(), "11 colour xy 0.17, 0.72", "record colour 8 \"Deep\"", "clear all");
        List<Finding> far = Findings.of(show, Rig.ALL).all().stream()
                .filter(f -> f.rule().equals("palette-far"))
                .toList();
        assertThat(far).isNotEmpty();
        Show mended = show;
        List<String> lines = new ArrayList<>();
        for (Finding f : far) {
            Findings.of(show, Rig.ALL)
                    .waysOut(f)
                    .forEach(w -> lines.add(w.line().orElseThrow()));
        }
        assertThat(lines).hasSameSizeAs(far).allMatch(l -> l.startsWith("fill colour 8 for type "));
        mended = Rig.after(mended, lines.toArray(String[]::new));
        assertThat(Findings.of(mended, Rig.ALL).all()).noneMatch(f -> f.rule().equals("palette-far"));
        Palette was = show.palette(Kind.COLOUR, 8).orElseThrow();
        Palette is = mended.palette(Kind.COLOUR, 8).orElseThrow();
        assertThat(is.intent()).isEqualTo(was.intent());
        for (Finding f : far) {
            for (UnitId unit : f.who()) {
                assertThat(mended.resolver().giver().give(is, unit).values())
                        .isEqualTo(show.resolver().giver().give(was, unit).values());
            }
        }
        UnitId one = far.get(0).who().stream()
                .filter(u -> show.resolver().giver().give(was, u).follow())
                .findFirst()
                .orElseThrow();
        assertThat(mended.resolver().giver().give(is, one).follows()).isEqualTo(Follows.MODE);
    }

    @Test
    void a_type_is_kept_at_home_where_it_was_given_nothing() {
        Show show = Rig.show(
                "patch 1 as \"Dimmer / 1-slot\" at 1.1",
                "patch 2 as \"Par / rgb\" at 1.21",
                "1 at 40",
                "record intensity 3 \"Low\" per type",
                "clear all");
        Show filled = Rig.after(show, "fill intensity 3 for type \"Par\" at home");
        Palette low = filled.palette(Kind.INTENSITY, 3).orElseThrow();
        UnitId par = UnitId.whole(filled.patch().number(2).id());
        Mode mode = filled.patch().modeOf(filled.patch().number(2));
        assertThat(filled.resolver().giver().give(low, par).values())
                .containsExactly(Map.entry(
                        Attribute.DIMMER,
                        AttributeValue.home(
                                mode, mode.parameter(0, Attribute.DIMMER).orElseThrow())));
        assertThat(Rig.say(show, "fill colour 1 for type \"Par\" at home").refused())
                .isTrue();
        Outcome nothing = Rig.say(
                Rig.after(show, "2 colour xy 0.4, 0.4", "record colour 1 \"Amber\""),
                "fill colour 1 for type \"Dimmer\" at home");
        assertThat(nothing.problems().get(0).words()).isEqualTo("Dimmer has nothing of colour that could be at home.");
    }
}
