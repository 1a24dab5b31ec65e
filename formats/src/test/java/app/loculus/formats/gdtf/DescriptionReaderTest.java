package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.formats.xml.Xml;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DescriptionReaderTest {

    private static String description(String channels) {
        return """
                <GDTF DataVersion="1.2"><FixtureType Name="Test" LongName="Test" Manufacturer="Testmaker" FixtureTypeID="11111111-2222-4333-8444-555555555555">
                <AttributeDefinitions><Attributes><Attribute Name="Dimmer" Pretty="Dim" Feature="Dimmer.Dimmer" PhysicalUnit="LuminousIntensity"/></Attributes></AttributeDefinitions>
                <Geometries><Geometry Name="Base"><Beam Name="Beam" ColorTemperature="3200"/></Geometry></Geometries>
                <DMXModes><DMXMode Name="m" Geometry="Base"><DMXChannels>%s</DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>
                """.formatted(channels);
    }

    private static Channel channel(String attributes, String functions) {
        Profile profile = DescriptionReader.read(description("<DMXChannel Geometry=\"Base\" " + attributes
                + "><LogicalChannel Attribute=\"Dimmer\">" + functions + "</LogicalChannel></DMXChannel>"));
        return profile.modes().get(0).channels().get(0);
    }

    @Test
    void functions_run_to_where_the_next_one_begins() {
        Channel channel = channel("Offset=\"1,2\"", """
                <ChannelFunction Name="a" Attribute="Dimmer" DMXFrom="0/1"/>
                <ChannelFunction Name="b" Attribute="Dimmer" DMXFrom="128/1s" PhysicalFrom="5" PhysicalTo="1"/>""");
        assertThat(channel.functions()).extracting(ChannelFunction::from).containsExactly(0L, 32768L);
        assertThat(channel.functions()).extracting(ChannelFunction::to).containsExactly(32767L, 65535L);
        assertThat(channel.functions().get(1).fractionOf(1).value()).isEqualTo(1);
    }

    @Test
    void functions_of_different_mode_ranges_may_share_their_range() {
        Channel channel = channel("Offset=\"1\"", """
                <ChannelFunction Name="a" Attribute="Dimmer" DMXFrom="0/1" ModeMaster="Base_Dimmer" ModeFrom="0/1" ModeTo="9/1"/>
                <ChannelFunction Name="b" Attribute="Dimmer" DMXFrom="0/1" ModeMaster="Base_Dimmer" ModeFrom="10/1" ModeTo="255/1"/>""");
        assertThat(channel.functions()).extracting(ChannelFunction::to).containsExactly(255L, 255L);
        assertThat(channel.functions().get(1).master().orElseThrow().from()).isEqualTo(10);
    }

    @Test
    void home_is_the_initial_functions_default_and_mirrored_into_the_resolution() {
        Channel channel = channel("Offset=\"1,2\" InitialFunction=\"Base_Dimmer.Dimmer.b\" Highlight=\"255/1\"", """
                <ChannelFunction Name="a" Attribute="Dimmer" DMXFrom="0/1" Default="0/1"/>
                <ChannelFunction Name="b" Attribute="Dimmer" DMXFrom="128/1" Default="200/1"/>""");
        assertThat(channel.home()).isEqualTo(200 * 257L);
        assertThat(channel.highlight().orElseThrow()).isEqualTo(65535);
        Channel old = channel("Offset=\"1\" Default=\"77/1\"", "<ChannelFunction Attribute=\"Dimmer\"/>");
        assertThat(old.home()).isEqualTo(77);
    }

    @Test
    void channel_sets_name_ranges_and_slots() {
        Channel channel = channel("Offset=\"1\"", """
                <ChannelFunction Name="a" Attribute="Dimmer"><ChannelSet Name="Low" DMXFrom="0/1" WheelSlotIndex="1"/>
                <ChannelSet Name="" DMXFrom="10/1"/><ChannelSet Name="High" DMXFrom="20/1" WheelSlotIndex="2"/></ChannelFunction>""");
        ChannelFunction function = channel.functions().get(0);
        assertThat(function.ranges()).hasSize(2);
        assertThat(function.range("low").orElseThrow().to()).isEqualTo(9);
        assertThat(function.rangeOfSlot(2).orElseThrow().to()).isEqualTo(255);
    }

    @Test
    void odd_things_become_warnings_that_name_the_element() {
        Profile profile = DescriptionReader.read(description("""
                <DMXChannel Geometry="Base" Offset="999"><LogicalChannel Attribute="Dimmer"><ChannelFunction Name="f" Attribute="Dimmer"
                Default="x" PhysicalFrom="y" ModeMaster="Nowhere"/></LogicalChannel></DMXChannel><DMXChannel Geometry="Base" Offset="2"/>"""));
        assertThat(profile.warnings())
                .extracting(Problem::words)
                .anyMatch(w -> w.contains("999"))
                .anyMatch(w -> w.contains("Nowhere"))
                .anyMatch(w -> w.contains("“y” is no number"))
                .anyMatch(w -> w.contains("no function"));
        assertThat(profile.warnings()).anyMatch(w -> w.place().subject().endsWith("ChannelFunction “f”"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "not xml",
                "<GDTF/>",
                "<Other><FixtureType/></Other>",
                "<GDTF><FixtureType Name=\"x\"/></GDTF>",
                "<!DOCTYPE GDTF [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><GDTF><FixtureType Name=\"&x;\"/></GDTF>",
                "<!DOCTYPE GDTF [<!ENTITY a \"aaaaaaaa\"><!ENTITY b \"&a;&a;&a;\">]><GDTF>&b;</GDTF>",
                "<GDTF><FixtureType Name=\"x\"><DMXModes><DMXMode"
            })
    void what_cannot_be_understood_is_refused_in_words(String xml) {
        assertThatThrownBy(() -> DescriptionReader.read(xml))
                .isInstanceOfSatisfying(
                        Refusal.class,
                        r -> assertThat(r.problems().get(0).words()).isNotBlank());
    }

    @Test
    void a_description_too_long_to_be_one_is_refused() {
        String huge = " ".repeat(Xml.LONGEST + 1);
        assertThatThrownBy(() -> DescriptionReader.read(huge))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("at most");
    }

    @Test
    void geometry_nested_without_end_is_refused() {
        String deep = "<Geometry Name=\"g\">".repeat(200) + "</Geometry>".repeat(200);
        String xml = description("")
                .replace(
                        "<Geometry Name=\"Base\"><Beam Name=\"Beam\" ColorTemperature=\"3200\"/></Geometry>",
                        deep.replaceFirst("\"g\"", "\"Base\""));
        assertThatThrownBy(() -> DescriptionReader.read(xml))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("nested");
    }

    @Test
    void the_shipped_profiles_are_read_without_a_warning() {
        List<Profile> all = ShippedProfiles.all().all();
        assertThat(all).hasSizeGreaterThanOrEqualTo(8);
        assertThat(all).allSatisfy(p -> assertThat(p.warnings()).as(p.name()).isEmpty());
    }

    private static Mode shipped(String type) {
        return ShippedProfiles.all().type(type).mode();
    }

    @Test
    void shipped_footprints_are_what_their_names_say() {
        assertThat(shipped("Ember Par / 8-slot").slots()).isEqualTo(8);
        assertThat(shipped("Skiff Wash / extended").slots()).isEqualTo(20);
        assertThat(shipped("Lantern Beam / 16-slot").slots()).isEqualTo(16);
        assertThat(shipped("Tideline Batten / 38-slot").slots()).isEqualTo(38);
        assertThat(shipped("Tideline Batten / 36-slot").slots()).isEqualTo(36);
        assertThat(shipped("Bosun Scroller").footprint()).containsEntry(1, 1).containsEntry(2, 1);
    }

    @Test
    void references_to_one_geometry_become_cells_with_shifted_slots() {
        Mode batten = shipped("Tideline Batten / 38-slot");
        assertThat(batten.cells()).isEqualTo(12);
        Channel red = batten.channelOf(
                batten.parameter(12, new Attribute("ColorAdd_R")).orElseThrow());
        assertThat(red.offsets()).containsExactly(36);
    }
}
