package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.Cloning;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Profiles;
import app.loculus.core.profile.Relation;
import app.loculus.core.profile.facts.Pictures;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Archives out and in again. */
class ArchivesTest {

    static Stream<Profile> shipped() {
        return ShippedProfiles.all().all().stream();
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void what_is_written_from_the_model_is_read_back_equal(Profile profile) {
        ProfilesAlike.check(profile, DescriptionReader.read(DescriptionWriter.write(profile)));
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void an_archive_carries_the_description_word_for_word_and_the_same_octets_each_time(Profile profile) {
        byte[] archive = ArchiveWriter.write(profile);
        ArchiveReader.Read read = ArchiveReader.read(archive);
        assertThat(read.profile()).isEqualTo(profile);
        assertThat(read.profile().source()).isEqualTo(profile.source());
        assertThat(ArchiveWriter.write(profile)).isEqualTo(archive);
    }

    @ParameterizedTest
    @MethodSource("shipped")
    void a_clone_keeps_slots_and_attributes_of_every_mode(Profile profile) {
        Profile again = DescriptionReader.read(
                DescriptionWriter.write(DraftBuilder.build(Cloning.of(profile).draft())));
        profile.modes().forEach(m -> {
            assertThat(again.mode(m.name()).footprint()).isEqualTo(m.footprint());
            assertThat(again.mode(m.name()).cells()).isEqualTo(m.cells());
            assertThat(again.mode(m.name()).channels())
                    .extracting(c -> c.attribute() + " " + c.offsets() + " "
                            + (c.home() >> 8 * (c.resolution().octets() - 1)))
                    .containsExactlyInAnyOrderElementsOf(m.channels().stream()
                            .map(c -> c.attribute() + " " + c.offsets() + " "
                                    + (c.home() >> 8 * (c.resolution().octets() - 1)))
                            .toList());
        });
    }

    @Test
    void a_profile_built_from_a_chart_is_written_and_read_back_equal() {
        ChartReader.Chart chart = ChartReader.read("""
                Mode basic
                Dimmer
                Pan 16 540 deg
                Tilt 16 270 deg
                Colour wheel: open, Rose #e06080, Sea #2080c0
                Gobo wheel: open, Ripple, Slats
                Shutter: 0-15 closed, 16-31 open, 32-255 strobe
                Mode cells
                Dimmer
                4 x:
                Red
                Green 16
                Blue
                end
                Zoom 10-50 deg inverted
                """);
        assertThat(chart.problems()).isEmpty();
        Profile built = DraftBuilder.build(new ProfileDraft("Halden", "Test Head", 12.5, 400, 18, 3200, chart.modes()));
        Profile read = DescriptionReader.read(DescriptionWriter.write(built));
        ProfilesAlike.check(built, read);
        assertThat(read.warnings()).isEmpty();
        assertThat(read.mode("cells").slots()).isEqualTo(18);
        List<String> names = java.util.regex.Pattern.compile(
                        "<(?:Geometry|Axis|Beam|GeometryReference) Name=\"([^\"]+)")
                .matcher(read.source())
                .results()
                .map(m -> m.group(1))
                .toList();
        assertThat(names).doesNotHaveDuplicates().contains("Yoke", "Head 2");
    }

    @Test
    void pictures_travel_beside_the_description() {
        Profile profile = shipped().findFirst().orElseThrow().with(new Pictures(Map.of("slats", HostileArchives.PNG)));
        ArchiveReader.Read read = ArchiveReader.read(ArchiveWriter.write(profile));
        assertThat(read.profile().facts().pictures().find("slats")).contains(HostileArchives.PNG);
        assertThat(read.dropped()).isEmpty();
    }

    @Test
    void what_is_not_kept_is_said() {
        byte[] archive = HostileArchives.zip(
                "description.xml",
                HostileArchives.DESCRIPTION,
                "models/3ds/head.3ds",
                "x",
                "wheels/bad.png",
                "no picture");
        assertThat(ArchiveReader.read(archive).dropped())
                .containsExactly(
                        "“models/3ds/head.3ds” is not kept: only the description and PNG pictures are.",
                        "“wheels/bad.png” is not kept: it is no PNG picture.");
    }

    @Test
    void relations_filters_facets_and_weight_are_read() {
        Profile profile = DescriptionReader.read("""
                <GDTF DataVersion="1.2"><FixtureType Name="T" Manufacturer="Halden" Description="Odd one">
                <Wheels><Wheel Name="W"><Slot Name="Rose" Filter="F" Color="0.3,0.3,90"/><Slot Name="Prism"><Facet/><Facet/></Slot></Wheel></Wheels>
                <PhysicalDescriptions><Filters><Filter Name="F" Color="0.45,0.25,20"/></Filters>
                <Properties><Weight Value="7.5"/></Properties></PhysicalDescriptions>
                <Geometries><Geometry Name="Base"><Beam Name="Beam" BeamAngle="12" PowerConsumption="300" ColorTemperature="3200"/></Geometry></Geometries>
                <DMXModes><DMXMode Name="m" Geometry="Base"><DMXChannels>
                <DMXChannel Offset="None" Geometry="Base"><LogicalChannel Attribute="Dimmer"><ChannelFunction Attribute="Dimmer" Default="0/1"/></LogicalChannel></DMXChannel>
                <DMXChannel Offset="1,2,3" Geometry="Base"><LogicalChannel Attribute="ColorAdd_R"><ChannelFunction Attribute="ColorAdd_R" Default="255/1s"/></LogicalChannel></DMXChannel>
                <DMXChannel Offset="4" Geometry="Base"><LogicalChannel Attribute="Iris"><ChannelFunction Attribute="Iris"/></LogicalChannel></DMXChannel>
                </DMXChannels><Relations><Relation Name="dim" Master="Base_Dimmer" Follower="Base_ColorAdd_R.ColorAdd_R.ColorAdd_R 1" Type="Multiply"/>
                <Relation Name="lost" Master="Base_Dimmer" Follower="Nowhere"/></Relations></DMXMode></DMXModes></FixtureType></GDTF>
                """);
        assertThat(profile.facts().weightKg()).hasValue(7.5);
        assertThat(profile.wheels().get(0).slots().get(0).colour().orElseThrow().y())
                .isEqualTo(20);
        assertThat(profile.wheels().get(0).slots().get(1).facets()).isEqualTo(2);
        var mode = profile.modes().get(0);
        assertThat(mode.relations())
                .containsExactly(new Relation("dim", "Base_Dimmer", "Base_ColorAdd_R", Relation.Type.MULTIPLY));
        assertThat(mode.beam().angleDegrees()).isEqualTo(12);
        assertThat(mode.dimmersOf(1)).containsExactly(0);
        assertThat(mode.channelOf(mode.parameter(0, new Attribute("ColorAdd_R")).orElseThrow())
                        .home())
                .isEqualTo(255L << 16);
        assertThat(profile.warnings().stream().map(w -> w.words()).toList())
                .anyMatch(w -> w.contains("No home value is given for Iris"))
                .anyMatch(w -> w.contains("Nowhere"));
    }

    @Test
    void file_names_hold_nothing_a_file_system_stumbles_over() {
        Profile profile = new Profiles(shipped().toList()).all().get(0);
        assertThat(ArchiveWriter.fileName(profile)).matches("[\\p{L}\\p{N}@ ._-]+\\.gdtf");
        assertThat(List.of(ArchiveWriter.fileName(profile).split("@"))).hasSize(3);
    }
}
