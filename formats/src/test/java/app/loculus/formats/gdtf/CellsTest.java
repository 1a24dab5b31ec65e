package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Geometry references as cells, with breaks and shifts. */
class CellsTest {

    private static Mode mode(String references, String channels) {
        String xml = """
                <GDTF DataVersion="1.2"><FixtureType Name="Cells" Manufacturer="Testmaker">
                <Geometries><Geometry Name="Body">%s</Geometry><Geometry Name="Pixel"><Beam Name="Light"/></Geometry></Geometries>
                <DMXModes><DMXMode Name="m" Geometry="Body"><DMXChannels>%s</DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>
                """.formatted(references, channels);
        return DescriptionReader.read(xml).modes().get(0);
    }

    private static String reference(String name, String breaks) {
        return "<GeometryReference Name=\"" + name + "\" Geometry=\"Pixel\">" + breaks + "</GeometryReference>";
    }

    private static String channel(String geometry, String breakNumber, String offset, String attribute) {
        return ("<DMXChannel DMXBreak=\"%s\" Offset=\"%s\" Geometry=\"%s\"><LogicalChannel Attribute=\"%s\">"
                        + "<ChannelFunction Attribute=\"%s\" Default=\"255/1\"/></LogicalChannel></DMXChannel>")
                .formatted(breakNumber, offset, geometry, attribute, attribute);
    }

    private static List<Integer> offsets(Mode mode, int cell, String attribute) {
        Channel channel =
                mode.channelOf(mode.parameter(cell, new Attribute(attribute)).orElseThrow());
        return channel.offsets();
    }

    @Test
    void each_reference_is_a_cell_shifted_by_its_offset() {
        Mode mode = mode(
                reference("a", "<Break DMXBreak=\"1\" DMXOffset=\"2\"/>")
                        + reference("b", "<Break DMXBreak=\"1\" DMXOffset=\"12\"/>"),
                channel("Body", "1", "1", "Dimmer") + channel("Light", "1", "1,2", "ColorAdd_R"));
        assertThat(mode.cells()).isEqualTo(2);
        assertThat(offsets(mode, 1, "ColorAdd_R")).containsExactly(2, 3);
        assertThat(offsets(mode, 2, "ColorAdd_R")).containsExactly(12, 13);
        assertThat(mode.slots()).isEqualTo(13);
    }

    @Test
    void overwrite_takes_break_and_offset_of_the_last_break() {
        Mode mode = mode(
                reference("a", "<Break DMXBreak=\"1\" DMXOffset=\"1\"/><Break DMXBreak=\"2\" DMXOffset=\"5\"/>"),
                channel("Light", "Overwrite", "1", "ColorAdd_R") + channel("Light", "1", "1", "ColorAdd_G"));
        assertThat(mode.footprint()).containsEntry(1, 1).containsEntry(2, 5);
        assertThat(offsets(mode, 1, "ColorAdd_R")).containsExactly(5);
    }

    @Test
    void an_offset_may_be_written_with_its_universe() {
        Mode mode = mode(
                reference("a", "<Break DMXBreak=\"1\" DMXOffset=\"1.7\"/>"), channel("Light", "1", "1", "ColorAdd_R"));
        assertThat(offsets(mode, 1, "ColorAdd_R")).containsExactly(7);
    }

    @Test
    void a_reference_without_a_break_is_not_shifted() {
        Mode mode = mode(reference("a", ""), channel("Light", "1", "3", "ColorAdd_R"));
        assertThat(offsets(mode, 1, "ColorAdd_R")).containsExactly(3);
    }

    @Test
    void a_channel_without_an_offset_is_virtual_and_dims_its_part() {
        Mode mode = mode("", channel("Body", "1", "", "Dimmer") + channel("Body", "1", "1", "ColorAdd_R"));
        Channel dimmer = mode.channelOf(mode.parameter(0, Attribute.DIMMER).orElseThrow());
        assertThat(dimmer.virtual()).isTrue();
        assertThat(mode.channels()).hasSize(2);
    }
}
