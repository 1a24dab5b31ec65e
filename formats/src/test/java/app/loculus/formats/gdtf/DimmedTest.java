package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;

/** Lights without a dimmer, as others read them: dark when they are patched, and as bright as the dimmer that is written. */
class DimmedTest {

    private static Profile built(String chart) {
        return DraftBuilder.build(new ProfileDraft(
                "Halden", "Lantern", 0, 0, 0, 0, ChartReader.read(chart).modes()));
    }

    private static List<Element> all(Element in, String tag) {
        NodeList list = in.getElementsByTagName(tag);
        List<Element> found = new ArrayList<>();
        for (int i = 0; i < list.getLength(); i++) {
            found.add((Element) list.item(i));
        }
        return found;
    }

    /**
     * Light of each emitter at home by the standard's words alone: its default, times the default of each master that
     * multiplies it; 0 to 1, by channel name.
     */
    private static Map<String, Double> atHome(String description) throws Exception {
        Document document = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(description)));
        Map<String, Double> defaults = new HashMap<>();
        for (Element channel : all(document.getDocumentElement(), "DMXChannel")) {
            Element function = all(channel, "ChannelFunction").get(0);
            String[] home = function.getAttribute("Default").split("/");
            String name = channel.getAttribute("Geometry") + "_" + function.getAttribute("Attribute");
            defaults.put(name, Double.parseDouble(home[0]) / (Math.pow(256, Integer.parseInt(home[1])) - 1));
        }
        Map<String, Double> light = new HashMap<>();
        defaults.forEach((name, value) -> {
            if (name.contains("_ColorAdd_")) {
                light.put(name, value);
            }
        });
        for (Element relation : all(document.getDocumentElement(), "Relation")) {
            assertThat(relation.getAttribute("Type")).isEqualTo("Multiply");
            String follower = relation.getAttribute("Follower").split("\\.")[0];
            assertThat(defaults).containsKeys(relation.getAttribute("Master"), follower);
            light.computeIfPresent(follower, (k, v) -> v * defaults.get(relation.getAttribute("Master")));
        }
        return light;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Red\nGreen\nBlue",
                "Red 16\nGreen 16\nBlue 16\nWhite 16\nPan 16 540 deg\nTilt 16 270 deg",
                "Strobe\nRed\nGreen\nBlue\nAmber\nLime",
                "Zoom\n4 x:\nRed\nGreen\nBlue\nend",
                "Red\nGreen\nBlue\nMode wide:\nDimmer\n3 x:\nRed\nGreen\nBlue\nend",
            })
    void without_a_dimmer_they_are_dark_at_home_for_whoever_reads_the_file(String chart) throws Exception {
        Profile profile = built(chart);
        String written = DescriptionWriter.write(profile);
        assertThat(atHome(written))
                .isNotEmpty()
                .allSatisfy((name, light) -> assertThat(light)
                        .as(name)
                        .isEqualTo(chart.contains("Dimmer") && name.startsWith("Cell") ? 1 : 0));
        Profile read = DescriptionReader.read(written);
        assertThat(read.warnings()).isEmpty();
        ProfilesAlike.check(profile, read);
        for (Mode mode : profile.modes()) {
            Mode again = read.mode(mode.name());
            assertThat(again.relations()).isEmpty();
            assertThat(again.channels())
                    .extracting(c -> c.key())
                    .filteredOn(k -> k.startsWith("virtual"))
                    .hasSize(Dimmed.of(mode).size());
        }
        assertThat(DescriptionWriter.write(read)).isEqualTo(written);
    }

    @Test
    void what_has_a_dimmer_is_given_none() {
        String written = DescriptionWriter.write(built("Dimmer\nRed\nGreen\nBlue"));
        assertThat(written).doesNotContain("Offset=\"None\"").doesNotContain("<Relation ");
    }

    /** Somebody else's dimmer that dims less than all of the lights is theirs, and stays. */
    @Test
    void what_a_file_says_otherwise_stays_as_it_says() {
        String written = DescriptionWriter.write(built("Red\nGreen\nBlue"));
        String other = written.replaceFirst("<Relation [^>]*ColorAdd_G[^>]*>(</Relation>)?", "");
        Profile read = DescriptionReader.read(other);
        Mode mode = read.modes().get(0);
        assertThat(mode.relations()).hasSize(2);
        assertThat(mode.channels()).anyMatch(c -> c.virtual() && !Dimmed.added(c));
    }
}
