package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.desk.ValueTable;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.edit.profile.ChangeType;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValuesTest {

    private static final ValueTable.Window ALL_ROWS = new ValueTable.Window(false, 0, 500);

    private static UnitValues values(Show show, int number, int cell) {
        return show.programmer().of(new UnitId(show.patch().number(number).id(), cell));
    }

    private static double level(Show show, int number, String attribute) {
        AttributeValue value = values(show, number, 0)
                .get(new Attribute(attribute))
                .orElseThrow()
                .value();
        return value.as(new AttributeValue.Cases<Double>() {
            @Override
            public Double level(double fraction) {
                return fraction;
            }

            @Override
            public Double physical(double physical) {
                return physical;
            }

            @Override
            public Double named(String name) {
                throw new AssertionError(name);
            }

            @Override
            public Double dmx(DmxValue sent) {
                return (double) sent.value();
            }

            @Override
            public Double aimed(Aiming.Way way) {
                throw new AssertionError(way);
            }

            @Override
            public Double released() {
                throw new AssertionError();
            }

            @Override
            public Double moved(Use use, Optional<AttributeValue> over) {
                throw new AssertionError(use);
            }

            @Override
            public Double reference(PaletteId palette) {
                throw new AssertionError(palette);
            }
        });
    }

    @Test
    void touching_one_emitter_touches_the_whole_mix_at_its_current_values() {
        Show show = Rig.after(Rig.everyKind(), "21 red at 60");
        assertThat(level(show, 21, "ColorAdd_R")).isEqualTo(0.6);
        assertThat(level(show, 21, "ColorAdd_G")).isEqualTo(1);
        Show again = Rig.after(show, "21 ColorAdd_G at 20");
        assertThat(level(again, 21, "ColorAdd_R")).isEqualTo(0.6);
    }

    @Test
    void a_wheel_is_not_part_of_the_mix() {
        Show show = Rig.after(Rig.everyKind(), "31 ColorSub_C at 60");
        assertThat(values(show, 31, 0).get(new Attribute("ColorSub_M"))).isPresent();
        assertThat(values(show, 31, 0).get(new Attribute("Color1"))).isEmpty();
    }

    @Test
    void what_needs_a_mode_brings_the_mode_channel_along() {
        Show show = Rig.after(Rig.everyKind(), "61 red at 60");
        assertThat(level(show, 61, "ColorMixMode")).isEqualTo(255);
        assertThat(values(show, 61, 0)
                        .get(new Attribute("ColorMixMode"))
                        .orElseThrow()
                        .companion())
                .isTrue();
        Show white = Rig.after(show, "61 white at 80");
        assertThat(level(white, 61, "ColorMixMode")).isZero();
    }

    @Test
    void a_whole_fixture_passes_on_to_its_cells_what_only_they_have() {
        Show show = Rig.after(Rig.everyKind(), "51 red at 30");
        assertThat(values(show, 51, 0).isEmpty()).isTrue();
        assertThat(values(show, 51, 3).get(new Attribute("ColorAdd_R"))).isPresent();
    }

    @Test
    void spreads_give_a_step_one_value() {
        Show show = Rig.after(Rig.everyKind(), "11 thru 14 mirror at 0 thru 90");
        assertThat(level(show, 11, "Dimmer")).isZero();
        assertThat(level(show, 14, "Dimmer")).isZero();
        assertThat(level(show, 12, "Dimmer")).isEqualTo(0.9);
    }

    @Test
    void who_lacks_the_attribute_is_named_and_stays() {
        Outcome outcome = Rig.say(Rig.everyKind(), "1 + 11 pan at 20");
        assertThat(outcome.problems().get(0).words()).isEqualTo("1 × Dimmer has no pan and stays as they are.");
        assertThat(Rig.say(Rig.everyKind(), "1 pan at 20").refused()).isTrue();
        assertThat(Rig.say(Rig.everyKind(), "11 pan at 400").problems().get(0).words())
                .contains("outside -270 to 270");
        assertThat(Rig.say(Rig.everyKind(), "1 at 150").problems().get(0).words())
                .contains("150 %");
    }

    @Test
    void home_touches_and_clear_drops_selection_first_then_values() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50 pan at 90", "home position");
        assertThat(level(show, 11, "Pan")).isBetween(0.4999, 0.5001);
        assertThat(level(show, 11, "Dimmer")).isEqualTo(0.5);
        Show once = Rig.after(show, "clear");
        assertThat(once.hand().selection().isEmpty()).isTrue();
        assertThat(once.programmer().values()).isNotEmpty();
        assertThat(Rig.after(once, "clear").programmer().values()).isEmpty();
    }

    @Test
    void stepping_takes_the_next_share() {
        Show show = Rig.after(Rig.everyKind(), "11 thru 14 every 2");
        Show next = Rig.after(show, "next");
        assertThat(next.hand().selection().units().stream().map(next::label)).containsExactly("12", "14");
        assertThat(Rig.after(next, "previous").hand()).isEqualTo(show.hand());
    }

    @Test
    void a_unit_that_an_attribute_does_not_have_is_refused() {
        for (String line : List.of("11 zoom at 40 hz", "11 zoom at 20 k", "1 Dimmer at 0.5 k", "1 Dimmer at 5 deg")) {
            Outcome outcome = Rig.say(Rig.everyKind(), line);
            assertThat(outcome.refused()).as(line).isTrue();
            assertThat(outcome.problems().get(0).code()).isEqualTo("value.unit");
        }
        assertThat(Rig.say(Rig.everyKind(), "11 zoom at 20 deg").refused()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "11 pan at 51210 dmx16|11|200|10",
                "11 pan at 0xC80A|11|200|10",
                "11 pan at 0xc8|11|200|200",
                "11 thru 12 pan at 0xC8 thru 0xFFFF|11|200|200",
                "11 at 0xFFFF|15|255|255",
                "21 at full red at 0xC80A|101|200|255",
                "12 thru 14 at 0x00 thru 0xFF|39|128|128",
            })
    void two_octets_and_hexadecimal(String line, int slot, int coarse, int fine) {
        Show show = Rig.after(Rig.everyKind(), line);
        byte[] slots = new FrameRenderer().render(show.scene()).slots(1);
        assertThat(new int[] {slots[slot - 1] & 0xFF, slots[slot] & 0xFF}).containsExactly(coarse, fine);
    }

    @Test
    void more_than_the_octets_hold_is_refused() {
        for (String line : List.of("11 pan at 65536 dmx16", "11 pan at 256 dmx")) {
            Outcome outcome = Rig.say(Rig.everyKind(), line);
            assertThat(outcome.refused()).as(line).isTrue();
            assertThat(outcome.problems().get(0).code()).isEqualTo("value.range");
        }
        for (String line : List.of("11 pan at 0x10000", "11 pan at 0x", "11 pan at 0xG1")) {
            assertThatThrownBy(() -> Rig.say(Rig.everyKind(), line)).as(line).isInstanceOf(Refusal.class);
        }
    }

    @Test
    void what_is_given_as_dmx_is_the_coarse_octet() {
        Show show = Rig.after(Rig.everyKind(), "11 at 100 dmx pan at 200 dmx");
        byte[] slots = new FrameRenderer().render(show.scene()).slots(1);
        assertThat(slots[10] & 0xFF).as("pan").isEqualTo(200);
        assertThat(slots[14] & 0xFF).as("dimmer").isEqualTo(100);
        ModeMaster none = null;
        Profile gobo = Rig.profile(
                "Odd",
                Rig.mode(
                        "odd",
                        0,
                        Rig.channel(
                                "Gobo1",
                                0,
                                0,
                                Rig.function("Gobo1", 0, 127, 0, 1, none),
                                Rig.function("Gobo1WheelSpin", 128, 255, -1, 1, none))));
        for (int sent : new int[] {0, 50, 100, 127, 128, 182, 200, 202, 255}) {
            assertThat(Rig.slots(Rig.of(gobo, "1 Gobo1 at " + sent + " dmx"), 1))
                    .containsExactly(sent);
        }
    }

    @Test
    void a_value_finds_its_function_among_all_of_the_attribute() {
        Profile turning = Rig.profile(
                "Odd",
                Rig.mode(
                        "odd",
                        0,
                        Rig.channel(
                                "Pan",
                                0,
                                128,
                                Rig.function("Pan", 128, 255, 0, 180, null),
                                Rig.function("Pan", 0, 127, -180, 0, null))));
        assertThat(Rig.slots(Rig.of(turning, "1 pan at -180"), 1)).containsExactly(0);
        assertThat(Rig.slots(Rig.of(turning, "1 pan at 180"), 1)).containsExactly(255);
        assertThat(Rig.say(Rig.of(turning), "1 pan at 181").problems().get(0).words())
                .isEqualTo("181 is outside 0 to 180 and -180 to 0 of Pan.");
    }

    @Test
    void one_emitter_starts_from_what_is_on_stage() {
        Show show = Rig.after(
                Rig.everyKind(),
                "21 colour xy 0.25, 0.39",
                "record colour 1",
                "clear all",
                "21 colour 1",
                "21 red at 60");
        assertThat(level(show, 21, "ColorAdd_R")).isEqualTo(0.6);
        assertThat(level(show, 21, "ColorAdd_B")).isBetween(0.433, 0.434);
    }

    @Test
    void a_mode_from_whole_to_cells_and_back_keeps_colours() {
        Channel[] whole = Stream.of("R", "G", "B")
                .map(c -> Rig.channel("ColorAdd_" + c, 0, 255, Rig.function("ColorAdd_" + c, 0, 255, 0, 1, null)))
                .toArray(Channel[]::new);
        Channel[] cells = IntStream.rangeClosed(1, 2)
                .boxed()
                .flatMap(n -> Stream.of("R", "G", "B")
                        .map(c -> Rig.channel(
                                "ColorAdd_" + c, n, 255, Rig.function("ColorAdd_" + c, 0, 255, 0, 1, null))))
                .toArray(Channel[]::new);
        Profile bar = Rig.profile("Bar", Rig.mode("whole", 0, whole), Rig.mode("cells", 2, cells));
        Show show = Rig.of(bar, "1 colour xy 0.25, 0.39", "record colour 1 per fixture");
        Outcome outcome = new ChangeType(
                        List.of(show.patch().number(1).id()),
                        show.profiles().type("Bar / cells"),
                        Optional.empty(),
                        PatchFixtures.Clashing.SHARE)
                .apply(show);
        assertThat(outcome.problems()).noneMatch(p -> p.code().equals("type.values"));
        Show divided = outcome.show();
        for (int cell = 1; cell <= 2; cell++) {
            assertThat(values(divided, 1, cell).get(new Attribute("ColorAdd_G")))
                    .isPresent();
        }
        assertThat(divided.palettes().get(0).units()).hasSize(2);
        Show back = new ChangeType(
                        List.of(show.patch().number(1).id()),
                        show.profiles().type("Bar / whole"),
                        Optional.empty(),
                        PatchFixtures.Clashing.SHARE)
                .apply(divided)
                .show();
        assertThat(values(back, 1, 0)).isEqualTo(values(show, 1, 0));
        assertThat(back.palettes()).isEqualTo(show.palettes());
    }

    @Test
    void what_is_released_is_left_to_what_lies_below() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50 zoom at 9 deg", "release zoom");
        assertThat(values(show, 11, 0).get(Attribute.ZOOM)).isEmpty();
        assertThat(level(show, 11, "Dimmer")).isEqualTo(0.5);
        Show palette = Rig.after(
                Rig.everyKind(),
                "11 thru 14 at 50 zoom at 9 deg",
                "record combined 1",
                "clear all",
                "11 thru 14 combined 1",
                "11 release zoom");
        byte[] slots = new FrameRenderer().render(palette.scene()).slots(1);
        byte[] home = new FrameRenderer().render(Rig.everyKind().scene()).slots(1);
        assertThat(slots[20]).as("zoom of 11 at home").isEqualTo(home[20]);
        assertThat(slots[32]).as("zoom of 12 follows").isNotEqualTo(home[32]);
        Show changed =
                Rig.after(palette, "clear", "12 zoom at 40 deg", "record combined 1 merge per type only zoom", "clear");
        assertThat(new FrameRenderer().render(changed.scene()).slots(1)[20])
                .as("still released when the palette changes")
                .isEqualTo(home[20]);
        assertThat(Rig.say(Rig.everyKind(), "11 release zoom").refused()).isTrue();
        Show mix = Rig.after(Rig.everyKind(), "21 colour xy 0.25, 0.39", "release red");
        assertThat(values(mix, 21, 0).isEmpty()).as("a mix goes as one").isTrue();
    }

    @Test
    void the_table_tells_of_each_value_where_it_comes_from_and_what_goes_out() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 thru 14 colour xy 0.25, 0.39",
                "record colour 1",
                "clear all",
                "11 colour 1 zoom at 9 deg");
        ValueTable table = ValueTable.of(show, ALL_ROWS);
        assertThat(table.columns()).extracting(ValueTable.ValueColumn::kind).startsWith("intensity", "position");
        ValueTable.UnitRow row = table.rows().get(0);
        assertThat(row.unit()).isEqualTo("11");
        assertThat(row.cells().get("ColorAdd_G").palette()).isEqualTo("1 Colour 1");
        assertThat(row.cells().get("ColorAdd_G").slots()).isEqualTo("1.18 = 255");
        assertThat(row.cells().get("Zoom").source()).isEqualTo("hand");
        assertThat(row.cells().get("Zoom").physical()).isEqualTo("9°");
        assertThat(row.cells().get("Pan")).satisfies(pan -> {
            assertThat(pan.source()).isEqualTo("home");
            assertThat(pan.touched()).isFalse();
            assertThat(pan.slots()).isEqualTo("1.11 = 128 · 1.12 = 0");
        });
        ValueTable par = ValueTable.of(Rig.after(Rig.everyKind(), "21 at 50"), ALL_ROWS);
        assertThat(par.rows().get(0).cells().get("ColorAdd_R").slots())
                .as("scaled by the virtual dimmer")
                .isEqualTo("1.101 = 128");
    }

    @Test
    void of_many_in_hand_the_table_gives_the_rows_that_are_looked_at() {
        Show show = Rig.after(Rig.everyKind(), "12 + 14 zoom at 9 deg", "all");
        ValueTable all = ValueTable.of(show, ALL_ROWS);
        assertThat(all.all()).isEqualTo(all.rows().size());
        ValueTable some = ValueTable.of(show, new ValueTable.Window(false, 3, 2));
        assertThat(some.rows()).isEqualTo(all.rows().subList(3, 5));
        assertThat(some.columns()).isEqualTo(all.columns());
        assertThat(some.all()).isEqualTo(all.all());
        assertThat(ValueTable.of(show, new ValueTable.Window(false, 10_000, 2)).rows())
                .isEmpty();
        ValueTable touched = ValueTable.of(show, new ValueTable.Window(true, 0, 500));
        assertThat(touched.rows()).extracting(ValueTable.UnitRow::unit).containsExactly("12", "14");
        assertThat(touched.columns())
                .extracting(ValueTable.ValueColumn::attribute)
                .containsExactly("Zoom");
    }

    private static double degrees(Show show, int number, Attribute attribute) {
        return ((AttributeValue.Physical)
                        values(show, number, 0).get(attribute).orElseThrow().value())
                .value();
    }

    @Test
    void a_nudge_goes_from_where_each_is_and_stops_at_the_end() {
        Show show = Rig.after(Rig.everyKind(), "11 pan at 10", "12 pan at 265", "13 tilt at -20", "11 thru 13");
        Outcome nudged = Rig.say(show, "nudge pan by 7.5, tilt by -2");
        assertThat(degrees(nudged.show(), 11, Attribute.PAN)).isEqualTo(17.5);
        assertThat(degrees(nudged.show(), 12, Attribute.PAN)).isEqualTo(270);
        assertThat(degrees(nudged.show(), 13, Attribute.TILT)).isCloseTo(-22, within(1e-9));
        assertThat(nudged.words().get(0)).isEqualTo("Shifts pan by 7.5, tilt by -2 for 3 units");
        assertThat(nudged.problems().get(0).words()).isEqualTo("1 value is at the end of the range: Wash Pan.");
        Show level = Rig.after(Rig.everyKind(), "11 at 40", "12 at 98", "11 + 12 nudge Dimmer by 5");
        assertThat(level(level, 11, "Dimmer")).isCloseTo(0.45, within(1e-6));
        assertThat(level(level, 12, "Dimmer")).isEqualTo(1);
        Outcome mixed = Rig.say(Rig.everyKind(), "11 red at 30 green at 50");
        Show red = Rig.after(mixed.show(), "nudge red by -10");
        assertThat(level(red, 11, "ColorAdd_R")).isCloseTo(0.2, within(1e-6));
        assertThat(level(red, 11, "ColorAdd_G")).isCloseTo(0.5, within(1e-6));
        assertThat(Rig.say(Rig.everyKind(), "21 nudge pan by 3").refused()).isTrue();
    }

    @Test
    void a_flip_points_where_it_pointed_and_twice_is_as_it_was() {
        Show show = Rig.after(Rig.everyKind(), "11 pan at 40 tilt at 30", "12 pan at -200 tilt at -90", "11 + 12");
        Show flipped = Rig.after(show, "flip");
        assertThat(degrees(flipped, 11, Attribute.PAN)).isCloseTo(-140, within(1e-3));
        assertThat(degrees(flipped, 11, Attribute.TILT)).isCloseTo(-30, within(1e-3));
        assertThat(degrees(flipped, 12, Attribute.PAN)).isCloseTo(-20, within(1e-3));
        Pose pose = Pose.at(0, 0, 6);
        for (int head : new int[] {11, 12}) {
            Vector3 was = pose.beam(degrees(show, head, Attribute.PAN), degrees(show, head, Attribute.TILT));
            Vector3 is = pose.beam(degrees(flipped, head, Attribute.PAN), degrees(flipped, head, Attribute.TILT));
            assertThat(was.minus(is).length()).as("head " + head).isCloseTo(0, within(1e-4));
        }
        assertThat(degrees(Rig.after(flipped, "flip"), 11, Attribute.PAN)).isCloseTo(40, within(1e-3));
        assertThat(Rig.say(Rig.everyKind(), "21 flip").refused()).isTrue();
    }

    @Test
    void a_wheel_goes_on_slot_by_slot_and_round_and_each_unit_from_its_own() {
        Show show = Rig.after(Rig.everyKind(), "41");
        List<String> gone = new ArrayList<>();
        Show forward = show;
        for (int i = 0; i < 12; i++) {
            Outcome next = Rig.say(forward, "Color1 slot next");
            assertThat(next.problems()).isEmpty();
            gone.add(next.words().get(0).replaceFirst(".*: ", ""));
            forward = next.show();
        }
        int slots = (int) gone.stream().distinct().count();
        assertThat(slots).isGreaterThan(2);
        assertThat(gone.subList(slots, 2 * slots)).isEqualTo(gone.subList(0, slots));
        Show back = Rig.after(forward, "Color1 previous");
        Show again = Rig.after(back, "Color1 next");
        assertThat(again.programmer().values()).isEqualTo(forward.programmer().values());
        Outcome two = Rig.say(Rig.after(Rig.everyKind(), "41 Color1 next", "41 + 31"), "Color1 next");
        assertThat(two.problems()).isEmpty();
        assertThat(two.words().get(0)).startsWith("Next Color1 of 2 units: ");
        assertThat(Rig.say(Rig.everyKind(), "11 gobo next").refused()).isTrue();
    }

    @Test
    void inverted_is_the_other_side_of_nought_or_what_is_left_to_full() {
        Show show = Rig.after(Rig.everyKind(), "11 pan at 40 at 30", "invert pan", "invert Dimmer");
        assertThat(degrees(show, 11, Attribute.PAN)).isCloseTo(-40, within(1e-3));
        assertThat(level(show, 11, "Dimmer")).isCloseTo(0.7, within(1e-4));
        Show zoom = Rig.after(Rig.everyKind(), "11 zoom at 10 deg", "invert zoom");
        assertThat(level(zoom, 11, "Zoom")).as("54 of 8 to 56 degrees").isCloseTo(46 / 48.0, within(1e-4));
        assertThat(Rig.after(Rig.everyKind(), "11 thru 14", "invert")
                        .hand()
                        .selection()
                        .steps())
                .as("alone, it takes the others selected")
                .hasSize(Rig.everyKind().patch().size() - 4);
    }

    @Test
    void what_has_no_named_ranges_has_words_for_its_ends() {
        Show wide = Rig.after(Rig.everyKind(), "11 zoom at \"wide\"", "12 zoom at \"Narrow\"");
        assertThat(degrees(wide, 11, Attribute.ZOOM)).isEqualTo(56);
        assertThat(degrees(wide, 12, Attribute.ZOOM)).isEqualTo(8);
        assertThat(Rig.say(Rig.everyKind(), "11 zoom at \"huge\"").refused()).isTrue();
    }

    @Test
    void one_attribute_goes_home_and_a_mix_as_one() {
        Show show = Rig.after(Rig.everyKind(), "11 pan at 40 tilt at 20 red at 30", "pan at home");
        assertThat(values(show, 11, 0).get(Attribute.PAN).orElseThrow().touched())
                .isTrue();
        int[] slots = Rig.slots(show, 30);
        int[] home = Rig.slots(Rig.everyKind(), 30);
        assertThat(slots[10]).as("pan").isEqualTo(home[10]);
        assertThat(slots[12]).as("tilt stays").isNotEqualTo(home[12]);
        Show mix = Rig.after(show, "home red");
        assertThat(Rig.slots(mix, 30)[17]).as("green goes with red").isEqualTo(home[17]);
        assertThat(Rig.slots(mix, 30)[12]).isEqualTo(slots[12]);
        assertThat(Rig.say(Rig.everyKind(), "21 zoom at home").problems().get(0).words())
                .isEqualTo("Nothing selected has zoom.");
    }
}
