package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.chart.Cloning;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.simulation.CellLight;
import app.loculus.core.simulation.SimulatedFixture;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where channels stand: references in references, beams side by side, like channels of one geometry. */
class PlacesTest {

    private static Profile profile(String geometries, String... channels) {
        return DescriptionReader.read("""
                <GDTF DataVersion="1.2"><FixtureType Name="Places" Manufacturer="Testmaker">
                <AttributeDefinitions><FeatureGroups><FeatureGroup Name="Dimmer"><Feature Name="Dimmer"/></FeatureGroup>
                <FeatureGroup Name="Color"><Feature Name="RGB"/></FeatureGroup></FeatureGroups><Attributes>
                <Attribute Name="Dimmer" Pretty="Dim" Feature="Dimmer.Dimmer"/>
                <Attribute Name="ColorAdd_R" Feature="Color.RGB"/><Attribute Name="ColorAdd_G" Feature="Color.RGB"/>
                <Attribute Name="ColorAdd_B" Feature="Color.RGB"/><Attribute Name="Pan" Pretty="Pan"/>
                <Attribute Name="Gobo1"/><Attribute Name="Zoom"/><Attribute Name="ColorMixMode"/></Attributes></AttributeDefinitions>
                <Geometries>%s</Geometries>
                <DMXModes><DMXMode Name="m" Geometry="Body"><DMXChannels>%s</DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>
                """.formatted(geometries, String.join("", channels)));
    }

    private static String channel(String geometry, int offset, String attribute) {
        return channel(geometry, offset, attribute, "");
    }

    private static String channel(String geometry, int offset, String attribute, String more) {
        return ("<DMXChannel Offset=\"%d\" Geometry=\"%s\"><LogicalChannel Attribute=\"%s\">"
                        + "<ChannelFunction Attribute=\"%s\" Default=\"0/1\" %s/></LogicalChannel></DMXChannel>")
                .formatted(offset, geometry, attribute, attribute, more);
    }

    private static String reference(String name, String to, int offset) {
        return "<GeometryReference Name=\"%s\" Geometry=\"%s\"><Break DMXBreak=\"1\" DMXOffset=\"%d\"/></GeometryReference>"
                .formatted(name, to, offset);
    }

    private static String[] rgb(String geometry, int offset) {
        return new String[] {
            channel(geometry, offset, "ColorAdd_R"),
            channel(geometry, offset + 1, "ColorAdd_G"),
            channel(geometry, offset + 2, "ColorAdd_B")
        };
    }

    private static String[] with(String first, String... others) {
        List<String> all = new ArrayList<>(List.of(first));
        all.addAll(List.of(others));
        return all.toArray(String[]::new);
    }

    private static Channel at(Mode mode, int cell, String attribute) {
        return mode.channelOf(mode.parameter(cell, new Attribute(attribute)).orElseThrow());
    }

    private static final String TWO_BARS = "<Geometry Name=\"Body\">" + reference("Bar 1", "Bar", 1)
            + reference("Bar 2", "Bar", 8) + "</Geometry><Geometry Name=\"Bar\">" + reference("a", "Cell", 2)
            + reference("b", "Cell", 5) + "</Geometry><Geometry Name=\"Cell\"><Beam Name=\"Light\"/></Geometry>";

    @Test
    void two_bars_of_a_dimmer_and_two_cells_have_14_slots() {
        Mode mode = profile(TWO_BARS, with(channel("Bar", 1, "Dimmer"), rgb("Light", 1)))
                .modes()
                .get(0);
        assertThat(mode.slots()).isEqualTo(14);
        assertThat(mode.layout().parents()).containsExactly(5, 5, 6, 6, 0, 0);
        assertThat(at(mode, 5, "Dimmer").offsets()).containsExactly(1);
        assertThat(at(mode, 6, "Dimmer").offsets()).containsExactly(8);
        assertThat(at(mode, 4, "ColorAdd_R").offsets()).containsExactly(12);
        assertThat(mode.homesOf(0, Attribute.DIMMER)).containsExactly(5, 6);
        assertThat(mode.homesOf(0, new Attribute("ColorAdd_R"))).containsExactly(1, 2, 3, 4);
        assertThat(mode.homesOf(6, new Attribute("ColorAdd_R"))).containsExactly(3, 4);
    }

    @Test
    void a_bar_dims_its_own_cells_and_no_others() {
        Mode mode = profile(TWO_BARS, with(channel("Bar", 1, "Dimmer"), rgb("Light", 1)))
                .modes()
                .get(0);
        byte[] slots = new byte[14];
        java.util.Arrays.fill(slots, (byte) 255);
        slots[7] = 51;
        List<CellLight> light = new SimulatedFixture(mode, mode.emitters(), Map.of()).light(Map.of(1, slots));
        assertThat(light)
                .extracting(l -> Math.round(l.intensity() * 100))
                .containsExactly(100L, 100L, 100L, 20L, 20L, 100L, 20L);
    }

    @Test
    void two_by_two_cells_have_12_slots() {
        String geometries = "<Geometry Name=\"Body\">" + reference("Row 1", "Row", 1) + reference("Row 2", "Row", 7)
                + "</Geometry><Geometry Name=\"Row\">" + reference("a", "Cell", 1) + reference("b", "Cell", 4)
                + "</Geometry><Geometry Name=\"Cell\"/>";
        Mode mode = profile(geometries, rgb("Cell", 1)).modes().get(0);
        assertThat(mode.slots()).isEqualTo(12);
        assertThat(mode.layout().parents()).containsExactly(0, 0, 0, 0);
        assertThat(at(mode, 4, "ColorAdd_B").offsets()).containsExactly(12);
    }

    @Test
    void two_beams_side_by_side_are_cells_and_what_they_share_is_not() {
        Profile profile = profile(
                "<Geometry Name=\"Body\"><Axis Name=\"Yoke\"><Beam Name=\"Left\"/><Beam Name=\"Right\"/></Axis></Geometry>",
                channel("Yoke", 1, "Pan"),
                channel("Left", 2, "Dimmer"),
                channel("Right", 3, "Dimmer"),
                channel("Right", 4, "Zoom"));
        Mode mode = profile.modes().get(0);
        assertThat(mode.cells()).isEqualTo(2);
        assertThat(at(mode, 0, "Pan").offsets()).containsExactly(1);
        assertThat(at(mode, 1, "Dimmer").offsets()).containsExactly(2);
        assertThat(at(mode, 2, "Dimmer").offsets()).containsExactly(3);
        assertThat(mode.homesOf(0, new Attribute("Zoom"))).containsExactly(2);
        assertThat(profile.warnings()).isEmpty();
    }

    @Test
    void a_dimmer_below_a_dimmer_is_a_cell_of_its_own() {
        Mode mode = profile(
                        "<Geometry Name=\"Body\"><Axis Name=\"Yoke\"><Beam Name=\"Light\"/></Axis></Geometry>",
                        channel("Body", 1, "Dimmer"),
                        channel("Yoke", 2, "Pan"),
                        channel("Light", 3, "Dimmer"))
                .modes()
                .get(0);
        assertThat(mode.layout().parents()).containsExactly(0);
        assertThat(at(mode, 0, "Pan").cell()).isZero();
        assertThat(at(mode, 1, "Dimmer").offsets()).containsExactly(3);
    }

    @Test
    void like_channels_of_one_geometry_are_cells_in_turn_and_it_is_said() {
        Profile profile = profile(
                "<Geometry Name=\"Body\"/>",
                channel("Body", 1, "Dimmer"),
                channel("Body", 2, "ColorAdd_R"),
                channel("Body", 3, "ColorAdd_G"),
                channel("Body", 4, "ColorAdd_B"),
                channel("Body", 5, "ColorAdd_R"),
                channel("Body", 6, "ColorAdd_G"),
                channel("Body", 7, "ColorAdd_B"));
        Mode mode = profile.modes().get(0);
        assertThat(mode.cells()).isEqualTo(2);
        assertThat(at(mode, 0, "Dimmer").offsets()).containsExactly(1);
        assertThat(at(mode, 1, "ColorAdd_G").offsets()).containsExactly(3);
        assertThat(at(mode, 2, "ColorAdd_G").offsets()).containsExactly(6);
        assertThat(profile.warnings())
                .extracting(Problem::words)
                .contains("ColorAdd_G is there 2 times at “Body”; each is a cell of its own.");
    }

    @Test
    void any_other_attribute_that_is_there_twice_is_numbered() {
        Profile profile = profile(
                "<Geometry Name=\"Body\"><Geometry Name=\"Head\"/></Geometry>",
                channel("Body", 1, "Pan"),
                channel("Head", 2, "Pan"),
                channel("Head", 3, "Gobo1"),
                channel("Head", 4, "Gobo1"));
        Mode mode = profile.modes().get(0);
        assertThat(mode.cells()).isZero();
        assertThat(at(mode, 0, "Pan_2").offsets()).containsExactly(2);
        assertThat(at(mode, 0, "Gobo2").offsets()).containsExactly(4);
        assertThat(profile.definition(new Attribute("Pan_2")).pretty()).isEqualTo("Pan 2");
        assertThat(mode.channels()).extracting(Channel::key).doesNotHaveDuplicates();
        assertThat(profile.warnings()).extracting(Problem::words).anyMatch(w -> w.contains("one more is Gobo2"));
    }

    @Test
    void a_channel_named_by_an_attribute_keeps_it_before_one_that_only_has_it_too() {
        String both = "<DMXChannel Offset=\"1\" Geometry=\"Body\"><LogicalChannel Attribute=\"Zoom\">"
                + "<ChannelFunction Attribute=\"Zoom\" Default=\"0/1\"/>"
                + "<ChannelFunction Attribute=\"Pan\" DMXFrom=\"128/1\" Default=\"0/1\"/></LogicalChannel></DMXChannel>";
        Mode mode = profile("<Geometry Name=\"Body\"/>", both, channel("Body", 2, "Pan"))
                .modes()
                .get(0);
        assertThat(at(mode, 0, "Pan").offsets()).containsExactly(2);
        assertThat(at(mode, 0, "Pan_2").offsets()).containsExactly(1);
    }

    @Test
    void a_master_inside_a_cell_is_that_cells_own() {
        Mode mode = profile(
                        "<Geometry Name=\"Body\">" + reference("a", "Cell", 1) + reference("b", "Cell", 3)
                                + "</Geometry><Geometry Name=\"Cell\"/>",
                        channel("Cell", 1, "ColorMixMode"),
                        channel(
                                "Cell",
                                2,
                                "ColorAdd_R",
                                "ModeMaster=\"Cell_ColorMixMode\" ModeFrom=\"128/1\" ModeTo=\"255/1\""))
                .modes()
                .get(0);
        assertThat(mode.masters(
                                2,
                                mode.parameter(2, new Attribute("ColorAdd_R"))
                                        .orElseThrow()
                                        .function(),
                                channel -> 0)
                        .keySet())
                .extracting(channel -> mode.channels().get(channel).cell())
                .containsExactly(2);
        byte[] slots = {0, (byte) 255, (byte) 200, (byte) 255};
        assertThat(new SimulatedFixture(mode, mode.emitters(), Map.of()).light(Map.of(1, slots)))
                .extracting(l -> l.intensity() > 0)
                .containsExactly(true, false, true);
    }

    /** Trees of references as chance has them: every slot that a channel claims is worked out by hand beside it. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
    void nested_references_claim_the_slots_worked_out_by_hand(long seed) {
        Random random = new Random(seed);
        int depth = 1 + random.nextInt(3);
        List<String> geometries = new ArrayList<>();
        List<String> channels = new ArrayList<>();
        List<List<Integer>> shifts = new ArrayList<>();
        int unit = 0;
        int size = 0;
        for (int level = depth; level >= 0; level--) {
            int own = level == depth ? 1 + random.nextInt(3) : random.nextInt(2);
            int copies = level == depth ? 0 : 1 + random.nextInt(3);
            String name = level == 0 ? "Body" : "Level" + level;
            StringBuilder inside = new StringBuilder();
            List<Integer> placed = new ArrayList<>();
            for (int c = 0; c < copies; c++) {
                int shift = own + c * size;
                placed.add(shift);
                inside.append(reference("r" + level + "-" + c, "Level" + (level + 1), shift + 1));
            }
            geometries.add("<Geometry Name=\"" + name + "\">" + inside + "</Geometry>");
            for (int o = 1; o <= own; o++) {
                channels.add(channel(name, o, "Control" + ++unit));
            }
            shifts.add(0, placed);
            size = own + copies * size;
        }
        Profile profile = profile(String.join("", geometries), channels.toArray(String[]::new));
        Mode mode = profile.modes().get(0);
        TreeSet<Integer> claimed = new TreeSet<>();
        mode.channels()
                .forEach(
                        c -> c.offsets().forEach(o -> assertThat(claimed.add(o)).isTrue()));
        assertThat(claimed).hasSize(size);
        assertThat(mode.slots()).isEqualTo(size);
        Map<Integer, Integer> counts = new HashMap<>();
        mode.channels().forEach(c -> counts.merge(c.cell(), 1, Integer::sum));
        assertThat(counts.keySet()).allMatch(cell -> cell <= mode.cells());
        for (int cell = 1; cell <= mode.cells(); cell++) {
            assertThat(counts).containsKey(cell);
        }
        Mode again = ArchiveReader.read(ArchiveWriter.write(profile))
                .profile()
                .modes()
                .get(0);
        assertThat(again.channels()).isEqualTo(mode.channels());
        ProfileDraft adapted = Cloning.of(profile).draft();
        Mode rewritten = DescriptionReader.read(DescriptionWriter.write(DraftBuilder.build(adapted)))
                .modes()
                .get(0);
        assertThat(driven(rewritten)).isEqualTo(driven(mode));
    }

    private static TreeSet<Integer> driven(Mode mode) {
        TreeSet<Integer> slots = new TreeSet<>();
        mode.channels().forEach(c -> slots.addAll(c.offsets()));
        return slots;
    }

    @Test
    void cells_that_are_no_repeated_block_are_adapted_channel_by_channel_and_it_is_said() {
        Profile bars = profile(TWO_BARS, with(channel("Bar", 1, "Dimmer"), rgb("Light", 1)));
        Cloning.Clone clone = Cloning.of(bars);
        assertThat(clone.losses()).anyMatch(l -> l.contains("they are copied channel by channel"));
        Mode again = DescriptionReader.read(DescriptionWriter.write(DraftBuilder.build(clone.draft())))
                .modes()
                .get(0);
        assertThat(again.slots()).isEqualTo(14);
        assertThat(again.cells()).isEqualTo(4);
        assertThat(at(again, 4, "ColorAdd_R").offsets()).containsExactly(12);
        assertThat(at(again, 2, "Dimmer").offsets()).containsExactly(8);
    }
}
