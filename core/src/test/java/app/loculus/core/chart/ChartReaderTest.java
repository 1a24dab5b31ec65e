package app.loculus.core.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.words.StandardAttributes;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChartReaderTest {

    private static List<DraftChannel> channels(String chart) {
        ChartReader.Chart read = ChartReader.read(chart);
        assertThat(read.modes()).hasSize(1);
        return read.modes().get(0).channels();
    }

    private static Mode built(String chart) {
        Profile profile = DraftBuilder.build(new ProfileDraft(
                "Halden", "Head", 0, 0, 0, 0, ChartReader.read(chart).modes()));
        return profile.modes().get(0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Dimmer | Dimmer | 1",
                "Master dimmer | Dimmer | 1",
                "Pan 16 | Pan | 2",
                "7-8 Tilt | Tilt | 2",
                "3 Red | ColorAdd_R | 1",
                "Cold white | ColorAdd_CW | 1",
                "UV | ColorAdd_UV | 1",
                "Color wheel 2: open, Rose | Color2 | 1",
                "Rotating gobo: open, Ripple | Gobo1 | 1",
                "Gobo rotation | Gobo1PosRotate | 1",
                "Strobe | Shutter1Strobe | 1",
                "ColorSub_M | ColorSub_M | 1",
                "Frost | Frost1 | 1",
                "Fan speed | Fan1 | 1",
                "Zoom 24 bit | Zoom | 3",
                "Blade 3 A | Blade3A | 1",
            })
    void the_words_of_charts_are_recognised(String line, String attribute, int octets) {
        DraftChannel channel = channels(line).get(0);
        assertThat(channel.attribute()).isEqualTo(attribute);
        assertThat(channel.octets()).isEqualTo(octets);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "7 Shutter 0-31 closed 32-223 strobe 224-255 open",
                "7 Shutter: 0-31 closed 32-223 strobe 224-255 open",
                "7 Shutter 0-31: closed, 32-223: strobe, 224-255: open",
                "7\tShutter\t0-31=closed; 32 to 223 strobe; 224..255 open",
            })
    void ranges_are_understood_without_a_colon_or_commas(String line) {
        DraftChannel shutter = channels(line).get(0);
        assertThat(shutter.attribute()).isEqualTo("Shutter1");
        assertThat(shutter.label()).isEqualTo("Shutter");
        assertThat(shutter.ranges())
                .extracting(DraftRange::name, DraftRange::from, DraftRange::to)
                .containsExactly(tuple("closed", 0, 31), tuple("strobe", 32, 223), tuple("open", 224, 255));
        assertThat(shutter.octets()).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"Pan 16 -270 to 270 deg, 2, -270, 270", "Zoom 5 - 50 deg, 1, 5, 50", "Zoom 5-50, 1, 5, 50"})
    void a_physical_span_is_no_range(String line, int octets, double from, double to) {
        DraftChannel channel = channels(line).get(0);
        assertThat(channel.ranges()).isEmpty();
        assertThat(channel.octets()).isEqualTo(octets);
        assertThat(channel.physicalFrom()).isEqualTo(from);
        assertThat(channel.physicalTo()).isEqualTo(to);
    }

    @Test
    void one_value_beside_ranges_is_one_value_and_a_part_without_values_is_named() {
        ChartReader.Chart read = ChartReader.read("Control: 0-9 idle, 255 reset, lamp off");
        assertThat(read.modes().get(0).channels().get(0).ranges())
                .extracting(DraftRange::name, DraftRange::from, DraftRange::to)
                .containsExactly(tuple("idle", 0, 9), tuple("reset", 255, 255));
        assertThat(read.problems())
                .extracting(Problem::words)
                .containsExactly(
                        "Line 1: “lamp off” has no values, while other ranges of the line have; it is left out.");
    }

    @ParameterizedTest
    @CsvSource({
        "Dimmer inverted, 255, 0",
        "Iris inverted, 0, 0",
        "Red inverted, 0, 0",
        "Cyan reversed, 255, 255",
        "Dimmer inverted home 10, 10, 0",
        "Dimmer, 0, 255",
        "Iris, 255, 255",
    })
    void what_runs_the_other_way_is_at_home_at_the_other_end(String line, int home, int highlight) {
        DraftChannel channel = channels(line).get(0);
        assertThat(channel.home()).isEqualTo(home);
        assertThat(channel.highlight()).isEqualTo(highlight);
    }

    @Test
    void an_inverted_dimmer_gives_no_light_at_home() {
        Mode mode = built("Dimmer inverted");
        byte[] home = {(byte) mode.channels().get(0).home()};
        assertThat(new SimulatedFixture(mode, Map.of(), Map.of())
                        .light(Map.of(1, home))
                        .get(0)
                        .intensity())
                .isZero();
    }

    @Test
    void a_channel_that_needs_what_is_not_there_is_named() {
        DraftChannel red = channels("Mode: 0-127 white, 128-255 mix\nRed").get(1);
        DraftChannel lost = new DraftChannel(
                red.label(),
                red.attribute(),
                1,
                1,
                false,
                0,
                255,
                false,
                0,
                1,
                "",
                false,
                "Modus",
                128,
                255,
                List.of());
        ProfileDraft draft = new ProfileDraft(
                "Halden",
                "Head",
                0,
                0,
                0,
                0,
                List.of(new DraftMode("m", 0, List.of(channels("Dimmer").get(0), lost))));
        assertThatThrownBy(() -> DraftBuilder.build(draft))
                .hasMessageContaining("“Red” needs “Modus”, which is no other channel of the mode.");
    }

    @Test
    void a_fine_line_widens_the_one_before() {
        List<DraftChannel> all = channels("1\tPan\n2\tPan fine\n3\tTilt\n4\tfine\n5\tDimmer");
        assertThat(all).extracting(DraftChannel::octets).containsExactly(2, 2, 1);
    }

    @Test
    void ranges_are_given_or_share_the_whole_equally() {
        assertThat(channels("Shutter: 0-15 closed, 16–31 open, 32-255 strobe")
                        .get(0)
                        .ranges())
                .extracting(r -> r.name() + " " + r.from() + "-" + r.to() + " " + r.attribute())
                .containsExactly("closed 0-15 ", "open 16-31 ", "strobe 32-255 Shutter1Strobe");
        assertThat(channels("Gobo wheel: open, Ripple, Slats, Fern").get(0).ranges())
                .extracting(r -> r.from() + "-" + r.to())
                .containsExactly("0-63", "64-127", "128-191", "192-255");
    }

    @Test
    void home_is_open_white_and_centred_unless_the_chart_says() {
        List<DraftChannel> all = channels(
                "Pan\nDimmer\nShutter: 0-15 closed, 16-255 open\nRed\nCyan\nZoom home 40\nIris inverted highlight 200");
        assertThat(all).extracting(DraftChannel::home).containsExactly(128, 0, 16, 255, 0, 40, 0);
        assertThat(all.get(6).inverted()).isTrue();
        assertThat(all.get(6).highlight()).isEqualTo(200);
    }

    @Test
    void degrees_are_a_span_about_the_middle_or_from_to() {
        List<DraftChannel> all = channels("Pan 16 630 deg\nZoom 8-56 deg\nTilt -110 to 130");
        assertThat(all)
                .extracting(c -> c.physicalFrom() + " " + c.physicalTo())
                .containsExactly("-315.0 315.0", "8.0 56.0", "-110.0 130.0");
        assertThat(all.get(0).octets()).isEqualTo(2);
    }

    @Test
    void what_is_not_recognised_is_named_with_its_line_and_alternatives_are_offered() {
        ChartReader.Chart chart = ChartReader.read("Dimmer\nQuux");
        assertThat(chart.problems())
                .extracting(Problem::words)
                .containsExactly("Line 2: “Quux” is not recognised; it becomes a control channel.");
        assertThat(StandardAttributes.meant("Colour")).contains(new Attribute("Color1"), new Attribute("ColorMacro1"));
    }

    @Test
    void several_modes_and_cells_are_read() {
        ChartReader.Chart chart =
                ChartReader.read("Mode small\nDimmer\nMode large:\nDimmer\n3 cells\nRed\nGreen\nend\nStrobe");
        assertThat(chart.modes()).extracting(DraftMode::name).containsExactly("small", "large");
        Mode large = DraftBuilder.build(new ProfileDraft("Halden", "Bar", 0, 0, 0, 0, chart.modes()))
                .mode("large");
        assertThat(large.cells()).isEqualTo(3);
        assertThat(large.slots()).isEqualTo(8);
        assertThat(large.channelOf(
                                large.parameter(3, new Attribute("ColorAdd_G")).orElseThrow())
                        .offsets())
                .containsExactly(7);
        assertThat(large.channelOf(large.parameter(0, new Attribute("Shutter1Strobe"))
                                .orElseThrow())
                        .offsets())
                .containsExactly(8);
    }

    @Test
    void a_range_with_another_purpose_becomes_a_function_of_its_own() {
        Mode mode = built("Shutter 16: 0-15 closed, 16-31 open, 32-255 strobe");
        List<ChannelFunction> functions = mode.channels().get(0).functions();
        assertThat(functions)
                .extracting(f -> f.attribute() + " " + f.from() + "-" + f.to())
                .containsExactly("Shutter1 0-4095", "Shutter1 4096-8191", "Shutter1Strobe 8192-65535");
        assertThat(functions).extracting(ChannelFunction::physicalTo).startsWith(0.0, 1.0);
        assertThat(mode.channels().get(0).home()).isEqualTo(4096);
    }

    @Test
    void a_draft_that_lacks_something_says_everything_it_lacks() {
        assertThatThrownBy(() -> DraftBuilder.build(new ProfileDraft("", " ", 0, 0, 0, 0, List.of())))
                .hasMessageContaining("needs a maker")
                .hasMessageContaining("needs a name")
                .hasMessageContaining("not one slot");
    }
}
