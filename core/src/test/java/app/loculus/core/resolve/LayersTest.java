package app.loculus.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.hand.Solo;
import app.loculus.core.edit.highlight.HighlightWords;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The stack of layers: what lies above counts, as its merge rule says; incremental frames equal frames from scratch. */
class LayersTest {

    private static final Show SHOW = Rig.after(Rig.everyKind(), "1 at 60");
    private static final FixtureId ONE = SHOW.patch().number(1).id();

    private static Layer level(String owner, Layer.Merge merge, boolean covers, double level) {
        return new Layer.Values(
                owner,
                1,
                merge,
                covers,
                Map.of(
                        UnitId.whole(ONE),
                        new UnitValues(Map.of(Attribute.DIMMER, Touched.byHand(AttributeValue.level(level))))));
    }

    private static int slot(Layer... above) {
        return new FrameRenderer().render(SHOW.scene().under(List.of(above))).slots(1)[0] & 0xFF;
    }

    @Test
    void the_latest_counts_whatever_it_is() {
        assertThat(slot()).isEqualTo(153);
        assertThat(slot(level("look", Layer.Merge.LATEST, false, 0.2))).isEqualTo(51);
    }

    @Test
    void of_two_intensities_the_highest_counts() {
        assertThat(slot(level("look", Layer.Merge.HIGHEST, false, 0.2))).isEqualTo(153);
        assertThat(slot(level("look", Layer.Merge.HIGHEST, false, 0.8))).isEqualTo(204);
        assertThat(slot(level("a", Layer.Merge.HIGHEST, false, 0.8), level("b", Layer.Merge.HIGHEST, false, 0.7)))
                .isEqualTo(204);
    }

    @Test
    void nothing_counts_below_a_layer_that_covers() {
        Layer nothing = new Layer.Values("page", 1, Layer.Merge.LATEST, true, Map.of());
        assertThat(slot(nothing)).isZero();
        assertThat(slot(nothing, level("look", Layer.Merge.HIGHEST, false, 0.2)))
                .isEqualTo(51);
    }

    @Test
    void driven_slots_lie_over_everything_and_only_where_they_are() {
        Layer driven = new Layer.Driven("strip", 1, Address.parse("1.1"), List.of(7));
        assertThat(slot(driven)).isEqualTo(7);
        assertThat(slot(driven, level("look", Layer.Merge.HIGHEST, false, 0.8))).isEqualTo(7);
        FrameRenderer renderer = new FrameRenderer();
        byte[] below = renderer.render(SHOW.scene()).slots(1);
        byte[] under = renderer.update(SHOW.scene().under(List.of(driven))).slots(1);
        below[0] = 7;
        assertThat(under).isEqualTo(below);
        assertThat(renderer.update(SHOW.scene()).slots(1)[0] & 0xFF)
                .as("and gone with it")
                .isEqualTo(153);
    }

    @ParameterizedTest
    @CsvSource({"32768, 32702, 32768", "32702, 32768, 32768", "32767, 32512, 32767", "0, 255, 255", "65535, 0, 65535"})
    void of_two_fixtures_on_one_pair_of_slots_the_higher_value_goes_out(int one, int other, int out) {
        Show show = Rig.show("patch 1 as \"Wash / extended\" at 1.1", "patch 2 as \"Wash / extended\" at 1.1 share");
        Mode mode = show.patch().modeOf(show.patch().number(1));
        Channel pan = mode.channels()
                .get(mode.parameter(0, Attribute.PAN).orElseThrow().channel());
        assertThat(pan.offsets()).hasSize(2);
        Layer both = new Layer.Values(
                "page", 1, Layer.Merge.LATEST, false, Map.ofEntries(panned(show, 1, one), panned(show, 2, other)));
        byte[] slots =
                new FrameRenderer().render(show.scene().under(List.of(both))).slots(1);
        int coarse = slots[pan.offsets().get(0) - 1] & 0xFF;
        int fine = slots[pan.offsets().get(1) - 1] & 0xFF;
        assertThat(coarse << 8 | fine).isEqualTo(out);
    }

    private static Map.Entry<UnitId, UnitValues> panned(Show show, int number, int dmx) {
        return Map.entry(
                UnitId.whole(show.patch().number(number).id()),
                new UnitValues(Map.of(Attribute.PAN, Touched.byHand(AttributeValue.level(dmx / 65535.0)))));
    }

    @Test
    void driven_slots_beyond_the_end_are_left_out_and_their_universe_comes_into_use() {
        Layer driven = new Layer.Driven("strip", 1, new Address(77, 512), List.of(9, 10));
        assertThat(new FrameRenderer()
                        .render(SHOW.scene().under(List.of(driven)))
                        .slots(77)[511])
                .isEqualTo((byte) 9);
    }

    @ParameterizedTest
    @ValueSource(longs = {91, 92, 93, 94})
    void incremental_frames_equal_frames_from_scratch_under_any_layers(long seed) {
        Random random = new Random(seed);
        RandomLines lines = new RandomLines(seed);
        FrameRenderer renderer = new FrameRenderer();
        Show show = SHOW;
        for (int i = 0; i < 80; i++) {
            show = lines.step(show);
            List<Layer> above = new ArrayList<>();
            if (random.nextInt(3) == 0) {
                List<FixtureId> some = show.patch().fixtures().stream()
                        .filter(f -> random.nextInt(3) == 0)
                        .map(f -> f.id())
                        .toList();
                Solo.Look look = Solo.Look.values()[random.nextInt(Solo.Look.values().length)];
                above.addAll(Solo.layers(show, some, look, random.nextInt(101), "page", i));
            }
            if (random.nextInt(3) == 0) {
                Address at = new Address(1 + random.nextInt(3), 1 + random.nextInt(512));
                above.add(new Layer.Driven("strip", i, at, List.of(random.nextInt(256), random.nextInt(256))));
            }
            Scene scene = show.scene().under(above);
            assertThat(renderer.update(scene)).as("%s", lines.said()).isEqualTo(new FrameRenderer().render(scene));
        }
    }

    private static final Show BATTEN =
            Rig.after(Rig.everyKind(), "51 dimmer at 50", "51.1 thru 51.3 dimmer at 80", "clear");

    private static String levels(Show show) {
        return show.patch().cellsOf(show.patch().number(51).id()).stream()
                .map(u -> String.valueOf(Math.round(show.lights().level(u) * 100)))
                .collect(java.util.stream.Collectors.joining(" "));
    }

    @Test
    void one_cell_under_a_master_dimmer_is_shown_off_and_the_others_stay_as_bright_as_they_were() {
        assertThat(levels(BATTEN)).isEqualTo("40 40 40 50");
        assertThat(levels(Rig.after(BATTEN, "51.2", "highlight on"))).isEqualTo("40 100 40 50");
        assertThat(levels(Rig.after(BATTEN, "51.2 + 51.4", "highlight on"))).isEqualTo("40 100 40 100");
        assertThat(levels(Rig.after(BATTEN, "51", "highlight on"))).isEqualTo("100 100 100 100");
        Show dark = Rig.after(Rig.everyKind(), "51.2", "highlight on");
        assertThat(levels(dark)).isEqualTo("0 100 0 0");
        assertThat(levels(Rig.after(dark, "highlight off"))).isEqualTo("0 0 0 0");
    }

    /** What goes out, and not only what is meant: the octets of the batten's second cell and of its third. */
    @Test
    void the_light_of_one_cell_shown_off_goes_out() {
        Show dark = Rig.after(Rig.everyKind(), "51.2", "highlight on");
        byte[] slots = new FrameRenderer().render(dark.scene()).slots(2);
        assertThat(slots[0] & 0xFF).as("master").isEqualTo(255);
        assertThat(slots[4] & 0xFF).as("red of cell 2").isEqualTo(255);
        assertThat(slots[7] & 0xFF).as("red of cell 3").isZero();
        assertThat(slots[1] & 0xFF).as("red of cell 1").isZero();
    }

    @Test
    void highlight_has_a_look_of_its_own_for_the_show_and_for_a_type() {
        Show show = Rig.after(
                Rig.everyKind(),
                "11 at 40 white at 3200 k",
                "record highlight per type",
                "21 at 70",
                "record highlight",
                "clear all",
                "11 + 21 + 1",
                "highlight on");
        assertThat(show.lights().level(unit(show, 11))).isEqualTo(0.4);
        assertThat(show.lights().level(unit(show, 21))).isEqualTo(0.7);
        assertThat(show.lights().level(unit(show, 1))).isEqualTo(0.7);
        Show forgotten = Rig.after(show, "highlight home");
        assertThat(forgotten.lights().level(unit(forgotten, 11))).isEqualTo(1);
        assertThat(Rig.say(Rig.after(show, "12"), "record highlight").refused()).isTrue();
    }

    /** Whoever is shown off stays where it points; every type, and cells that hold the colours, show the colour. */
    @Test
    void a_highlight_for_every_type_moves_nobody_and_colours_all_that_have_colours() {
        Show set = Rig.after(
                Rig.everyKind(),
                "31 at 80 colour xy 0.45, 0.45",
                "11 Pan at 40",
                "31 + 11",
                "record highlight",
                "clear all");
        Show before = Rig.after(set, "11 thru 61 + 1");
        Show shown = Rig.after(before, "highlight on");
        int coloured = 0;
        for (Fixture fixture : shown.patch().fixtures()) {
            Mode mode = shown.patch().modeOf(fixture);
            List<Resolved> channels = shown.resolver().resolve(fixture);
            List<Resolved> stood = before.resolver().resolve(fixture);
            for (int i = 0; i < channels.size(); i++) {
                if (channels.get(i).function().attribute().name().matches("Pan|Tilt")) {
                    assertThat(channels.get(i).place()).isEqualTo(stood.get(i).place());
                }
            }
            for (int cell = 0; cell <= mode.cells(); cell++) {
                int of = cell;
                var wanted = shown.resolver().giver().answer(mode, cell, new Chromaticity(0.45, 0.45));
                if (wanted.isPresent()) {
                    coloured++;
                    var seen = new ShownColour(
                                    mode, of, c -> channels.get(c).place().dmx())
                            .light()
                            .flatMap(Tristimulus::chromaticity)
                            .orElseThrow();
                    assertThat(seen.differenceTo(wanted.get().shown()).grade())
                            .as(shown.patch().profileOf(fixture).name() + " cell " + cell)
                            .isLessThanOrEqualTo(ColourDifference.Grade.MATCH);
                }
            }
        }
        assertThat(coloured).isGreaterThan(4);
        assertThat(Rig.say(Rig.after(Rig.everyKind(), "11 Pan at 40"), "record highlight")
                        .refused())
                .isTrue();
        assertThat(HighlightWords.lines(shown, shown.get(PartKinds.HIGHLIGHT, Whole.SHOW)))
                .hasSize(1)
                .allMatch(line -> line.contains("80 %") && line.contains("0.45"));
    }

    private static UnitId unit(Show show, int number) {
        return UnitId.whole(show.patch().number(number).id());
    }

    @Test
    void the_rest_keeps_a_share_of_its_light_only_while_something_is_shown_off() {
        Show show = Rig.after(Rig.everyKind(), "11 + 21 + 51 at 80", "highlight rest 25", "1");
        assertThat(show.lights().level(unit(show, 11))).isEqualTo(0.8);
        Show shown = Rig.after(show, "highlight on");
        assertThat(shown.lights().level(unit(shown, 1))).isEqualTo(1);
        for (int number : new int[] {11, 21, 51}) {
            assertThat(shown.lights().level(unit(shown, number)))
                    .as("%d", number)
                    .isCloseTo(0.2, org.assertj.core.api.Assertions.within(0.003));
        }
        FrameRenderer incremental = new FrameRenderer();
        incremental.render(show.scene());
        assertThat(incremental.update(shown.scene()).slots(1))
                .isEqualTo(new FrameRenderer().render(shown.scene()).slots(1));
        Show over = Rig.after(shown, "highlight off");
        assertThat(incremental.update(over.scene()).slots(1))
                .isEqualTo(new FrameRenderer().render(show.scene()).slots(1));
    }

    @Test
    void what_is_shown_off_is_never_recorded() {
        String[] red = {"11 thru 14 at 30 red at 80 green at 10 blue at 10", "11 thru 14"};
        Show quiet = Rig.after(Rig.after(Rig.everyKind(), red), "record colour 3", "record intensity 3");
        Show shown = Rig.after(
                Rig.after(Rig.everyKind(), red),
                "highlight on",
                "record colour 3",
                "record intensity 3",
                "highlight off");
        assertThat(shown.palettes()).isEqualTo(quiet.palettes());
        assertThat(shown.programmer().values()).isEqualTo(quiet.programmer().values());
        assertThat(shown.palettes().get(1).intent())
                .isEqualTo(quiet.palettes().get(1).intent())
                .isPresent();
    }
}
