package app.loculus.core.carry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.facts.BeamFacts;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.core.profile.facts.ProfileFacts;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.ColourAnswers;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

/** Figures worked out by hand. */
class CounterpartTest {

    private static final Attribute ZOOM = Attribute.ZOOM;
    private static final Attribute IRIS = new Attribute("Iris");
    private static final Attribute GOBO = new Attribute("Gobo1");
    private static final Attribute PRISM = new Attribute("Prism1");

    /** Pictures of one octet each: as far apart as their octets. */
    private static final PictureLikeness BY_OCTET =
            (one, other) -> OptionalDouble.of(Math.abs(one[0] - other[0]) / 100.0);

    private static Means means(boolean byLight, UnaryOperator<Vector3> moved) {
        return new Means(new ColourAnswers(), List.of(), moved, BY_OCTET, byLight);
    }

    private static ChannelFunction range(
            String attribute, double from, double to, List<NamedRange> ranges, String wheel) {
        return new ChannelFunction(
                attribute,
                new Attribute(attribute),
                0,
                255,
                from,
                to,
                0,
                Optional.ofNullable(wheel),
                Optional.empty(),
                Optional.empty(),
                ranges);
    }

    private static Channel channel(String attribute, double from, double to) {
        return Rig.channel(attribute, 0, 0, range(attribute, from, to, List.of(), null));
    }

    /** Slots side by side, twenty values each, the first one open. */
    private static Channel gobos(List<String> names) {
        List<NamedRange> ranges = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            ranges.add(new NamedRange(names.get(i), 20L * i, 20L * i + 19, i, i, i + 1));
        }
        return Rig.channel("Gobo1", 0, 0, range("Gobo1", 0, names.size(), ranges, "Gobos"));
    }

    private static At at(String name, double lumens, Pose pose, Map<String, Integer> gobos, Channel... channels) {
        List<Channel> all = new ArrayList<>(List.of(channels));
        List<WheelSlot> slots = new ArrayList<>(List.of(new WheelSlot("Open", Optional.empty(), Optional.empty())));
        gobos.keySet().forEach(g -> slots.add(new WheelSlot(g, Optional.empty(), Optional.of(g))));
        Map<String, byte[]> pictures = new java.util.LinkedHashMap<>();
        gobos.forEach((g, octet) -> pictures.put(g, new byte[] {octet.byteValue()}));
        if (!gobos.isEmpty()) {
            all.add(gobos(slots.stream().map(WheelSlot::name).toList()));
        }
        Mode mode = new Mode(
                "m", all, Cells.NONE, Rig.LAMP, Map.of(), Map.of(), new BeamFacts(6500, 20, 500, lumens), List.of());
        List<AttributeDefinition> definitions = mode.attributes().stream()
                .map(a -> new AttributeDefinition(
                        a, a.name(), "Beam.Beam", List.of("Pan", "Tilt", "Zoom").contains(a.name()) ? "Angle" : "None"))
                .toList();
        Profile profile = new Profile(
                new ProfileId(name),
                "Testmaker",
                name,
                definitions,
                List.of(new Wheel("Gobos", slots)),
                List.of(mode),
                List.of(),
                "",
                new ProfileFacts("", OptionalDouble.empty(), "", new Pictures(pictures)));
        Fixture fixture =
                new Fixture(new FixtureId(1), 1, "", profile.id(), "m", List.of(), Optional.ofNullable(pose), "", "");
        return new At(fixture, profile, mode, 0);
    }

    private static At plain(String name, Channel... channels) {
        return at(name, 0, null, Map.of(), channels);
    }

    private static Map<Attribute, AttributeValue> carried(
            Means means, At was, Map<Attribute, AttributeValue> values, At is) {
        return Counterpart.of(means, was, values, Set.of(), Optional.empty(), is);
    }

    private static List<Compared.Told> told(Means means, At was, Map<Attribute, AttributeValue> values, At is) {
        return Compared.of(means, was, values, values.keySet(), is, carried(means, was, values, is));
    }

    @Test
    void a_level_is_the_same_share_or_the_same_light() {
        At bright = at("Bright", 20_000, null, Map.of(), channel("Dimmer", 0, 1));
        At weak = at("Weak", 10_000, null, Map.of(), channel("Dimmer", 0, 1));
        At strong = at("Strong", 40_000, null, Map.of(), channel("Dimmer", 0, 1));
        Map<Attribute, AttributeValue> half = Map.of(Attribute.DIMMER, AttributeValue.level(0.4));
        assertThat(carried(means(false, v -> v), bright, half, weak))
                .containsEntry(Attribute.DIMMER, AttributeValue.level(0.4));
        assertThat(carried(means(true, v -> v), bright, half, weak))
                .containsEntry(Attribute.DIMMER, AttributeValue.level(0.8));
        assertThat(carried(means(true, v -> v), bright, half, strong))
                .containsEntry(Attribute.DIMMER, AttributeValue.level(0.2));
        Map<Attribute, AttributeValue> most = Map.of(Attribute.DIMMER, AttributeValue.level(0.9));
        assertThat(told(means(true, v -> v), bright, most, weak))
                .containsExactly(new Compared.Told("Level", Verdict.NEAREST, "90 % → 100 %, less light than before"));
        assertThat(told(means(true, v -> v), bright, half, strong))
                .containsExactly(new Compared.Told("Level", Verdict.ANEW, "40 % → 20 % for the same light"));
    }

    @Test
    void an_angle_is_kept_as_far_as_the_zoom_goes() {
        At wide = plain("Wide", channel("Zoom", 5, 50));
        At narrow = plain("Narrow", channel("Zoom", 12, 30));
        assertThat(told(means(false, v -> v), wide, Map.of(ZOOM, new AttributeValue.Physical(20)), narrow))
                .containsExactly(new Compared.Told("Zoom", Verdict.CARRIES, ""));
        assertThat(told(means(false, v -> v), wide, Map.of(ZOOM, new AttributeValue.Physical(6)), narrow))
                .containsExactly(new Compared.Told("Zoom", Verdict.NEAREST, "6.1° → 12°"));
    }

    @Test
    void an_iris_stands_for_a_zoom_where_there_is_none() {
        At zooming = plain("Zooming", channel("Zoom", 5, 50));
        At irised = plain("Irised", channel("Iris", 1, 0));
        Map<Attribute, AttributeValue> ten = Map.of(ZOOM, new AttributeValue.Physical(10));
        // Its beam is 20 degrees wide, so the iris is half open.
        AttributeValue iris =
                carried(means(false, v -> v), zooming, ten, irised).get(IRIS);
        assertThat(iris.in(irised.mode(), irised.parameter(IRIS).orElseThrow())
                        .orElseThrow()
                        .fraction()
                        .value())
                .isCloseTo(0.5, within(0.01));
        assertThat(told(means(false, v -> v), zooming, ten, irised).get(0).verdict())
                .isEqualTo(Verdict.ANEW);
        assertThat(told(means(false, v -> v), zooming, ten, plain("Fixed", channel("Dimmer", 0, 1))))
                .containsExactly(new Compared.Told("Zoom", Verdict.LOST, "it has none"));
    }

    @Test
    void heads_hit_the_spot_that_was_hit() {
        Channel pan = channel("Pan", -270, 270);
        Channel tilt = channel("Tilt", -135, 135);
        At was = at("One", 0, Pose.at(-4, 2, 6), Map.of(), pan, tilt);
        At is = at("Other", 0, Pose.at(3, 1, 5), Map.of(), pan, tilt);
        Map<Attribute, AttributeValue> down =
                Map.of(Attribute.PAN, new AttributeValue.Physical(0), Attribute.TILT, new AttributeValue.Physical(0));
        Map<Attribute, AttributeValue> there = carried(means(false, v -> v), was, down, is);
        double panned = ((AttributeValue.Physical) there.get(Attribute.PAN)).value();
        double tilted = ((AttributeValue.Physical) there.get(Attribute.TILT)).value();
        Vector3 hit = is.fixture().pose().orElseThrow().landing(panned, tilted).orElseThrow();
        // Straight down from −4, 2.
        assertThat(hit.minus(new Vector3(-4, 2, 0)).length()).isLessThan(0.001);
        Map<Attribute, AttributeValue> shifted =
                carried(means(false, v -> v.plus(new Vector3(1, 0, 0))), was, down, is);
        assertThat(is.fixture()
                        .pose()
                        .orElseThrow()
                        .landing(
                                ((AttributeValue.Physical) shifted.get(Attribute.PAN)).value(),
                                ((AttributeValue.Physical) shifted.get(Attribute.TILT)).value())
                        .orElseThrow()
                        .minus(new Vector3(-3, 2, 0))
                        .length())
                .as("to where the stage lies there")
                .isLessThan(0.001);
    }

    @Test
    void a_gobo_is_found_by_its_name_then_by_its_picture() {
        At was = at("One", 0, null, new java.util.TreeMap<>(Map.of("Leaves", 40, "Bars", 10)));
        At named = at("Named", 0, null, new java.util.TreeMap<>(Map.of("leaves", 90, "Dots", 41)));
        At pictured = at("Pictured", 0, null, new java.util.TreeMap<>(Map.of("Foliage", 44, "Dots", 90)));
        At bare = plain("Bare", channel("Dimmer", 0, 1));
        Map<Attribute, AttributeValue> leaves = Map.of(GOBO, new AttributeValue.Named("Leaves"));
        assertThat(carried(means(false, v -> v), was, leaves, named))
                .containsEntry(GOBO, new AttributeValue.Named("leaves"));
        assertThat(told(means(false, v -> v), was, leaves, named).get(0).verdict())
                .isEqualTo(Verdict.ANEW);
        assertThat(told(means(false, v -> v), was, leaves, pictured))
                .containsExactly(new Compared.Told("Gobo1", Verdict.NEAREST, "“Foliage” for “Leaves”"));
        assertThat(told(means(false, v -> v), was, leaves, bare))
                .containsExactly(new Compared.Told("Gobo1", Verdict.LOST, "nothing like “Leaves”"));
        assertThat(told(means(false, v -> v), was, Map.of(GOBO, new AttributeValue.Named("Open")), bare))
                .containsExactly(new Compared.Told("Gobo1", Verdict.CARRIES, ""));
    }

    @Test
    void what_there_is_nothing_for_is_lost_unless_it_stood_at_home() {
        At was = plain("One", channel("Prism1", 0, 1), channel("Frost1", 0, 1));
        At is = plain("Other", channel("Zoom", 5, 50));
        assertThat(told(means(false, v -> v), was, Map.of(PRISM, AttributeValue.level(0.5)), is))
                .containsExactly(new Compared.Told("Prism1", Verdict.LOST, "it has none"));
        assertThat(told(means(false, v -> v), was, Map.of(PRISM, AttributeValue.level(0)), is))
                .containsExactly(new Compared.Told("Prism1", Verdict.CARRIES, ""));
        assertThat(told(means(false, v -> v), was, Map.of(new Attribute("Frost1"), AttributeValue.level(1)), is))
                .containsExactly(new Compared.Told("Frost1", Verdict.LOST, "it has none; a wider zoom could"));
    }
}
