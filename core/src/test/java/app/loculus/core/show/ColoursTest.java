package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.Whites;
import app.loculus.core.desk.ColourMatch;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Follows;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.Profile;
import app.loculus.core.unit.Kelvin;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Colours as palettes: what they stand for, and what really shines. */
class ColoursTest {

    private static Palette colour(Show show, int number) {
        return show.palette(Kind.COLOUR, number).orElseThrow();
    }

    private static Given given(Show show, int palette, int number) {
        return show.resolver()
                .giver()
                .give(
                        colour(show, palette),
                        UnitId.whole(show.patch().number(number).id()));
    }

    private static int slot(Show show, int universe, int slot) {
        return new FrameRenderer().render(show.scene()).slots(universe)[slot - 1] & 0xFF;
    }

    @ParameterizedTest
    @ValueSource(strings = {"61", "51", "11"})
    void a_panel_shines_in_the_colour_it_is_said_to_show(String from) {
        Show show = Rig.after(
                Rig.everyKind(),
                from + " at full colour xy 0.25, 0.39",
                "record colour 1",
                "clear all",
                "61 at full colour 1");
        assertThat(slot(show, 2, 102)).as("mode: colour").isGreaterThanOrEqualTo(128);
        assertThat(slot(show, 2, 105)).as("green").isEqualTo(255);
        assertThat(given(show, 1, 61).difference().orElseThrow().deltaUv()).isLessThan(0.004);
    }

    @Test
    void what_does_not_shine_is_told() {
        Show show = Rig.everyKind();
        Entry dark =
                new Entry(new ScopeKey.Type(Rig.PAR.id()), new Attribute("ColorAdd_R"), AttributeValue.level(0), false);
        List<Entry> all = Stream.of("R", "G", "B")
                .map(c -> new Entry(dark.scope(), new Attribute("ColorAdd_" + c), dark.value(), false))
                .toList();
        Palette black =
                new Palette(new PaletteId(1), Kind.COLOUR, 1, "Black", Optional.of(new Chromaticity(.3, .3)), all);
        Given given = show.resolver()
                .giver()
                .give(black, UnitId.whole(show.patch().number(21).id()));
        assertThat(given.difference()).contains(ColourDifference.NO_LIGHT);
        assertThat(given.difference().orElseThrow()).hasToString("no light");
        assertThat(given.difference().orElseThrow().grade()).isEqualTo(ColourDifference.Grade.NEEDS_AN_EYE);
    }

    @Test
    void the_difference_is_that_of_the_slots_that_go_out() {
        Show show = Rig.after(Rig.everyKind(), "21 colour xy 0.2, 0.12", "record colour 1");
        double reported = given(show, 1, 21).difference().orElseThrow().deltaUv();
        int[] slots = {slot(show, 1, 101), slot(show, 1, 102), slot(show, 1, 103)};
        Show lit = Rig.after(show, "21 at full");
        int[] out = {slot(lit, 1, 101), slot(lit, 1, 102), slot(lit, 1, 103)};
        var sum = Rig.RGBW
                .get(0)
                .full()
                .times(out[0] / 255.0)
                .plus(Rig.RGBW.get(1).full().times(out[1] / 255.0))
                .plus(Rig.RGBW.get(2).full().times(out[2] / 255.0));
        double real = sum.chromaticity()
                .orElseThrow()
                .differenceTo(new Chromaticity(.2, .12))
                .deltaUv();
        assertThat(slots).containsOnly(0);
        assertThat(reported).isEqualTo(real, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void the_intent_is_what_was_asked_for_and_not_what_a_fixture_could_do() {
        Show wash = Rig.after(Rig.everyKind(), "11 colour xy 0.48, 0.52", "record colour 1");
        assertThat(colour(wash, 1).intent()).contains(new Chromaticity(.48, .52));
        assertThat(given(wash, 1, 11).difference().orElseThrow().deltaUv()).isBetween(0.013, 0.014);
        Show wheel = Rig.after(Rig.everyKind(), "41 colour xy 0.25, 0.39", "record colour 1");
        assertThat(colour(wheel, 1).intent()).contains(new Chromaticity(.25, .39));
        assertThat(given(wheel, 1, 21).difference().orElseThrow().grade()).isEqualTo(ColourDifference.Grade.EXACT);
        Show again = Rig.after(wash, "clear all", "11 + 21 colour 1", "record colour 2");
        assertThat(colour(again, 2).intent()).as("through a palette").contains(new Chromaticity(.48, .52));
        Show nudged = Rig.after(wash, "11 red at 90", "record colour 3");
        assertThat(colour(nudged, 3).intent().orElseThrow())
                .as("by hand it is what shows")
                .isNotEqualTo(new Chromaticity(.48, .52));
    }

    @Test
    void an_own_temperature_flag_beside_a_global_mix_keeps_both() {
        Fixture spot = Rig.everyKind().patch().number(31);
        ScopeKey own = new ScopeKey.Unit(UnitId.whole(spot.id()));
        ScopeKey global = new ScopeKey.Global();
        List<Entry> entries = List.of(
                new Entry(global, new Attribute("ColorSub_C"), AttributeValue.level(0), false),
                new Entry(global, new Attribute("ColorSub_M"), AttributeValue.level(1), false),
                new Entry(global, new Attribute("ColorSub_Y"), AttributeValue.level(1), false),
                new Entry(own, new Attribute("Color1"), new AttributeValue.Named("Jade"), false));
        Palette red =
                new Palette(new PaletteId(1), Kind.COLOUR, 1, "Red", Optional.of(new Chromaticity(.6, .33)), entries);
        Given given = Rig.everyKind().resolver().giver().give(red, UnitId.whole(spot.id()));
        assertThat(given.follows()).isEqualTo(Follows.OWN);
        assertThat(given.values().get(new Attribute("ColorSub_M"))).isEqualTo(AttributeValue.level(1));
        assertThat(given.values().get(new Attribute("Color1"))).isEqualTo(new AttributeValue.Named("Jade"));
    }

    @Test
    void a_computed_unit_keeps_a_global_value_of_something_else() {
        Entry zoom = new Entry(new ScopeKey.Global(), Attribute.ZOOM, AttributeValue.level(0.25), false);
        Palette palette = new Palette(
                new PaletteId(1), Kind.COLOUR, 1, "Red", Optional.of(new Chromaticity(.6, .33)), List.of(zoom));
        Show show = Rig.everyKind();
        Given given = show.resolver()
                .giver()
                .give(palette, UnitId.whole(show.patch().number(11).id()));
        assertThat(given.follows()).isEqualTo(Follows.GLOBAL);
        assertThat(given.values()).containsKey(new Attribute("ColorAdd_R")).containsEntry(Attribute.ZOOM, zoom.value());
    }

    @Test
    void red_merged_with_blue_is_blue_for_the_next_type_too() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 thru 14 colour xy 0.64, 0.33",
                "record colour 1 \"Red\"",
                "11 thru 14 colour xy 0.16, 0.07");
        Outcome merged = Rig.say(show, "record colour 1 merge");
        assertThat(merged.words()).anyMatch(w -> w.startsWith("Now stands for x 0.16 y 0.07"));
        assertThat(given(merged.show(), 1, 21).difference().orElseThrow().deltaUv())
                .isLessThan(0.02);
        assertThat(colour(merged.show(), 1).intent()).contains(new Chromaticity(.16, .07));
    }

    @Test
    void a_type_matched_by_eye_leaves_the_others_as_they_were() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 thru 14 colour xy 0.25, 0.39",
                "record colour 1",
                "clear all",
                "31 colour 1",
                "31 ColorSub_C at 60");
        Given wash = given(show, 1, 11);
        Outcome merged = Rig.say(show, "record colour 1 merge");
        assertThat(merged.words()).anyMatch(w -> w.startsWith("Still stands for x 0.25 y 0.39"));
        assertThat(given(merged.show(), 1, 31).follows()).isEqualTo(Follows.TYPE);
        assertThat(given(merged.show(), 1, 11).values()).isEqualTo(wash.values());
        assertThat(merged.words().get(0)).contains("per type (global would change ");
    }

    @Test
    void an_intensity_palette_takes_no_colour_mode_along() {
        Show show =
                Rig.after(Rig.everyKind(), "61 at 50 colour xy 0.25, 0.39", "record intensity 1", "record colour 1");
        assertThat(show.palette(Kind.INTENSITY, 1).orElseThrow().entries())
                .extracting(Entry::attribute)
                .containsExactly(Attribute.DIMMER);
        assertThat(colour(show, 1).entries())
                .filteredOn(Entry::companion)
                .extracting(Entry::attribute)
                .containsExactly(new Attribute("ColorMixMode"));
    }

    @Test
    void of_one_head_combined_its_own_is_its_own() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50 pan at 20 zoom at 9 deg", "record combined 1");
        Palette palette = show.palette(Kind.COMBINED, 1).orElseThrow();
        ScopeKey own = new ScopeKey.Unit(UnitId.whole(show.patch().number(11).id()));
        assertThat(palette.entries(own).keySet()).containsExactlyInAnyOrder(Attribute.DIMMER, Attribute.PAN);
        assertThat(palette.entries(new ScopeKey.Global()).keySet()).containsExactly(Attribute.ZOOM);
    }

    @Test
    void a_unit_follows_the_palette_and_not_the_attributes_it_had_that_day() {
        Show mixed = Rig.after(
                Rig.after(
                        Rig.everyKind(),
                        "31 Color1 at \"Red\"",
                        "record colour 1 per type",
                        "clear all",
                        "31 colour 1"),
                "clear",
                "31 colour 1");
        assertThat(slot(mixed, 1, 205)).isEqualTo(14);
        Palette before = colour(mixed, 1);
        ScopeKey type = new ScopeKey.Type(Rig.SPOT.id());
        Palette after = before.holding(Stream.of("C", "M", "Y")
                .map(f -> new Entry(
                        type, new Attribute("ColorSub_" + f), AttributeValue.level(f.equals("C") ? 0 : 1), false))
                .toList());
        Draft draft = new Draft(mixed);
        draft.put(after);
        Show changed = draft.outcome().show();
        assertThat(slot(changed, 1, 205)).as("wheel").isZero();
        assertThat(slot(changed, 1, 203)).as("magenta").isEqualTo(255);
    }

    @Test
    void of_two_wheels_each_can_stack() {
        Channel one = wheel("Color1");
        Channel two = wheel("Color2");
        Channel[] flags = Stream.of("C", "M", "Y")
                .map(f -> Rig.channel("ColorSub_" + f, 0, 0, Rig.function("ColorSub_" + f, 0, 255, 0, 1, null)))
                .toArray(Channel[]::new);
        Profile spot = Rig.profile(
                "Two",
                Rig.mode(
                        "two",
                        0,
                        Stream.concat(Stream.of(flags), Stream.of(one, two)).toArray(Channel[]::new)));
        Show green = Rig.of(spot, "1 Color2 at \"Jade\"");
        Outcome mix = Rig.say(green, "1 ColorSub_M at 100");
        Outcome recorded =
                Rig.say(Rig.after(mix.show(), "clear", "clear all", "1 ColorSub_M at 100"), "record colour 1");
        assertThat(recorded.problems().get(0).words()).contains("Two (Color1), Two (Color2)");
        Show red = Rig.after(green, "1 colour xy 0.68, 0.31");
        assertThat(Rig.slots(red, 5)).as("first wheel red, second one closed").containsExactly(0, 0, 0, 14, 0);
    }

    private static Channel wheel(String attribute) {
        Channel like = Rig.SPOT.modes().get(0).channels().get(4);
        return like.with("Head_" + attribute)
                .with(like.functions().stream()
                        .map(f -> f.with(new Attribute(attribute)))
                        .toList());
    }

    @Test
    void a_panels_whites_are_used_where_they_bring_more_light() {
        Profile panel = panel(
                new Chromaticity(.4599, .4106).withLuminance(90), new Chromaticity(.3135, .3237).withLuminance(100));
        Show warm = Rig.of(panel, "1 at full white at 2720 k");
        int[] slots = Rig.slots(warm, 3);
        assertThat(slots[0]).as("mode").isLessThan(128);
        double luminance = slots[1] / 255.0 * 90 + slots[2] / 255.0 * 100;
        assertThat(luminance).isGreaterThan(85);
        assertThat(Rig.slots(Rig.of(panel, "1 at full colour xy 0.25, 0.39"), 1)[0])
                .isGreaterThanOrEqualTo(128);
    }

    /** Temperature in kelvin, and light that colours alone would give. */
    @ParameterizedTest
    @CsvSource({"3100, 64", "3200, 66", "5500, 84"})
    void whites_near_a_panels_own_come_from_them_within_the_tolerance(double kelvin, double colours) {
        Tristimulus warm = Whites.of(Kelvin.of(3000)).withLuminance(180);
        Tristimulus cool = Whites.of(Kelvin.of(5600)).withLuminance(200);
        Profile panel = panel(warm, cool);
        int[] slots = Rig.slots(Rig.of(panel, "1 at full white at " + kelvin + " k"), 3);
        assertThat(slots[0]).as("the mode of whites").isLessThan(128);
        Tristimulus light = warm.times(slots[1] / 255.0).plus(cool.times(slots[2] / 255.0));
        assertThat(light.y()).as("light").isGreaterThan(2.2 * colours);
        assertThat(ColourDifference.between(light, Whites.of(Kelvin.of(kelvin))).deltaUv())
                .isLessThan(0.0025);
    }

    /** Two whites that shine at the low values of a mode channel, red, green and blue at the high ones. */
    private static Profile panel(Tristimulus warm, Tristimulus cool) {
        ModeMaster white = new ModeMaster("Head_ColorMixMode", 0, 127);
        ModeMaster colour = new ModeMaster("Head_ColorMixMode", 128, 255);
        Stream<Channel> emitters = Stream.concat(
                Stream.of("WW", "CW").map(e -> emitter(e, white)),
                Stream.of("R", "G", "B").map(e -> emitter(e, colour)));
        Channel mode = Rig.channel("ColorMixMode", 0, 0, Rig.function("ColorMixMode", 0, 255, 0, 1, null));
        return Rig.profile(
                "Soft",
                Rig.mode(
                        "soft",
                        0,
                        warm,
                        cool,
                        Stream.concat(Stream.of(mode), emitters).toArray(Channel[]::new)));
    }

    private static Channel emitter(String name, ModeMaster master) {
        return Rig.channel("ColorAdd_" + name, 0, 255, Rig.function("ColorAdd_" + name, 0, 255, 0, 1, master));
    }

    @Test
    void a_nudge_shifts_each_from_where_it_is_and_is_no_colour_that_was_asked_for() {
        Show show = Rig.after(Rig.everyKind(), "11 + 21 colour xy 0.3, 0.33");
        UnitId par = UnitId.whole(show.patch().number(21).id());
        ColourMatch before =
                ColourMatch.of(show, UnitId.whole(show.patch().number(11).id()));
        assertThat(before.rows()).extracting(ColourMatch.MatchRow::type).containsExactly("Wash", "Par");
        Show nudged = Rig.after(show, "21 nudge colour by 0.01, -0.004");
        assertThat(nudged.programmer().of(par).asked()).isEmpty();
        ColourMatch.MatchRow off = ColourMatch.of(
                        nudged, UnitId.whole(show.patch().number(11).id()))
                .rows()
                .get(0);
        assertThat(off.du()).isCloseTo(-0.01, org.assertj.core.api.Assertions.within(0.001));
        assertThat(off.dv()).isCloseTo(0.004, org.assertj.core.api.Assertions.within(0.001));
        assertThat(Rig.say(show, "1 nudge colour by 0.01, 0").refused()).isTrue();
        assertThat(Rig.say(show, "21 nudge colour by 0.3, 0").refused()).isTrue();
    }
}
