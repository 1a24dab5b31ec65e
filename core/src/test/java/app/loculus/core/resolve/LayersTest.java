package app.loculus.core.resolve;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.edit.hand.Solo;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
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
}
