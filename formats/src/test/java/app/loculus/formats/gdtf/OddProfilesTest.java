package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.check.ProfileCheck;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is not understood, mended or left out is said, with its place. */
class OddProfilesTest {

    /** A sound description: nothing to say about it. */
    private static final String SOUND = """
            <GDTF DataVersion="1.2"><FixtureType Name="Odd" LongName="Odd" Manufacturer="Testmaker">
            <AttributeDefinitions><ActivationGroups><ActivationGroup Name="Mix"/></ActivationGroups>
            <FeatureGroups><FeatureGroup Name="Dimmer"><Feature Name="Dimmer"/></FeatureGroup>
            <FeatureGroup Name="Color"><Feature Name="Color"/></FeatureGroup></FeatureGroups>
            <Attributes><Attribute Name="Dimmer" Feature="Dimmer.Dimmer" PhysicalUnit="LuminousIntensity"/>
            <Attribute Name="ColorAdd_R" Feature="Color.Color" ActivationGroup="Mix" PhysicalUnit="ColorComponent"/>
            <Attribute Name="Color1" Feature="Color.Color"/></Attributes></AttributeDefinitions>
            <Wheels><Wheel Name="Gels"><Slot Name="Open"/><Slot Name="Rose" Color="0.4,0.3,20"/></Wheel></Wheels>
            <PhysicalDescriptions><Emitters><Emitter Name="Red" Color="0.7,0.3,20"/></Emitters></PhysicalDescriptions>
            <Geometries><Geometry Name="Body"><Beam Name="Head"/></Geometry></Geometries>
            <DMXModes><DMXMode Name="m" Geometry="Body"><DMXChannels>
            <DMXChannel Offset="1" Geometry="Head" InitialFunction="Head_Dimmer.Dimmer.Dim"><LogicalChannel Attribute="Dimmer">
            <ChannelFunction Name="Dim" Attribute="Dimmer" Default="0/1"/></LogicalChannel></DMXChannel>
            <DMXChannel Offset="2" Geometry="Head"><LogicalChannel Attribute="ColorAdd_R">
            <ChannelFunction Attribute="ColorAdd_R" Default="0/1" Emitter="Red"/></LogicalChannel></DMXChannel>
            <DMXChannel Offset="3" Geometry="Head"><LogicalChannel Attribute="Color1">
            <ChannelFunction Name="Gel" Attribute="Color1" Default="0/1" Wheel="Gels"><ChannelSet Name="Open" DMXFrom="0/1" WheelSlotIndex="1"/>
            <ChannelSet Name="Rose" DMXFrom="128/1" WheelSlotIndex="2"/></ChannelFunction></LogicalChannel></DMXChannel>
            </DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>
            """;

    private static List<String> said(Profile profile) {
        return Stream.concat(profile.warnings().stream(), ProfileCheck.of(profile).stream())
                .map(p -> p.place().subject() + ": " + p.words())
                .toList();
    }

    private static Chromaticity red(String emitter) {
        Mode mode = DescriptionReader.read(SOUND.replace("<Emitter Name=\"Red\" Color=\"0.7,0.3,20\"/>", emitter))
                .modes()
                .get(0);
        return mode.emitters().get(new Attribute("ColorAdd_R")).chromaticity().orElse(null);
    }

    /** By its wavelength or its spectrum; one that says none of it is what its attribute usually is, never white. */
    @Test
    void an_emitter_without_a_colour_is_what_its_light_is() {
        assertThat(red("<Emitter Name=\"Red\" DominantWaveLength=\"460\"/>").y())
                .isLessThan(.06);
        assertThat(red("<Emitter Name=\"Red\" DominantWaveLength=\"365\"/>"))
                .as("nobody sees it")
                .isNull();
        Chromaticity green = red("<Emitter Name=\"Red\"><Measurement Physical=\"100\">"
                + "<MeasurementPoint WaveLength=\"510\" Energy=\"0\"/><MeasurementPoint WaveLength=\"530\" Energy=\"1\"/>"
                + "<MeasurementPoint WaveLength=\"550\" Energy=\"0\"/></Measurement></Emitter>");
        assertThat(green.y()).isGreaterThan(.7);
        assertThat(red("<Emitter Name=\"Red\"/>").x()).as("a typical red").isGreaterThan(.65);
    }

    @Test
    void of_a_sound_profile_nothing_is_said() {
        assertThat(said(DescriptionReader.read(SOUND))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "Dimmer.Dimmer.Dim | Dimmer.Dimmer.Dam | DMXChannel 1 “Head_Dimmer”: InitialFunction “Head_Dimmer.Dimmer.Dam”",
                "Wheel=\"Gels\" | Wheel=\"Gel\" | ChannelFunction “Gel”: Wheel “Gel” is no wheel",
                "Geometry=\"Body\" | Geometry=\"Bodie\" | DMXMode “m”: Geometry “Bodie” is no top geometry",
                "\"1\" Geometry=\"Head\" | \"1\" Geometry=\"Hed\" | DMXChannel 1 “Hed_Dimmer”: Geometry “Hed” does not exist",
                "Emitter=\"Red\" | Emitter=\"Rd\" | Emitter “Rd” is no emitter",
                "<Attribute Name=\"Color1\" | <Attribute Name=\"Color9\" | Attribute “Color1” is declared nowhere",
                "Feature=\"Dimmer.Dimmer\" | Feature=\"Dimmer.Dim\" | Attribute “Dimmer”: Feature “Dimmer.Dim” is declared nowhere",
                "PhysicalUnit=\"LuminousIntensity\" | PhysicalUnit=\"Candela\" | Attribute “Dimmer”: PhysicalUnit “Candela” is unknown",
                "ActivationGroup=\"Mix\" | ActivationGroup=\"Max\" | ActivationGroup “Max” is declared nowhere",
                "<Slot Name=\"Rose\" Color=\"0.4,0.3,20\"/> | <Slot Name=\"Rose\" Filter=\"F\"/> | Wheel “Gels”, Slot “Rose”: Filter “F”",
                "WheelSlotIndex=\"2\" | WheelSlotIndex=\"7\" | ChannelSet “Rose”: WheelSlotIndex 7 is beyond wheel “Gels”, which has 2 slots",
                "DMXFrom=\"128/1\" | DMXFrom=\"300/1\" | DMXFrom “300/1” is no DMX value",
                "DMXFrom=\"0/1\" WheelSlotIndex=\"1\" | DMXFrom=\"200/1\" WheelSlotIndex=\"1\" | Ranges are not in order: 128 comes behind 200",
                "<Emitters> | <Emitters><Emitter Name=\"Red\"/> | Emitter “Red”: Two of this name",
                "<Wheels> | <Wheels><Wheel Name=\"Bare\"/> | Wheel “Bare”: The wheel has no slots",
                "Offset=\"3\" | Offset=\"3,4,5,6,7\" | Offset “3,4,5,6,7” has 5 slots; the first 4 are used",
                "Offset=\"3\" | Offset=\"3,3\" | Offset “3,3” names a slot twice",
                "Offset=\"3\" | Offset=\"403\" | Mode “m”: Slots 3 to 402 of its 403 are used by nothing",
                "Offset=\"3\" | Offset=\"3\" DMXBreak=\"first\" | DMXBreak “first” is no number from 1 to 999",
                "<Geometries> | <Models><Model Name=\"A\" File=\"a\"/></Models><Geometries> | It has 1 model in files; models are not kept",
                "</DMXChannels> | </DMXChannels><FTMacros><FTMacro Name=\"x\"/></FTMacros> | DMXMode “m”: It has 1 macro; none is carried out",
                "</DMXModes> | <DMXMode Name=\"m\" Geometry=\"Body\"/></DMXModes> | it is called “m 2”",
                "</DMXModes> | <DMXMode Name=\"n\" Geometry=\"Body\"/></DMXModes> | DMXMode “n”: The mode has no channel with a slot",
                "<Beam Name=\"Head\"/> | <Beam Name=\"Head\"/><Beam Name=\"Head\"/> | Beam “Head”: Two geometries have this name",
                "Emitter=\"Red\" | Emitter=\"Red\" DMXProfile=\"Curve\" | Its curve “Curve” is not followed",
                "Default=\"0/1\" Emitter | Emitter | No home value is given for ColorAdd_R",
                "<Slot Name=\"Open\"/> | <Slot Name=\"Open\" MediaFileName=\"shell\"/> | Wheels: The picture “shell” is named, but not there",
            })
    void what_is_odd_is_said_with_its_place(String sound, String odd, String words) {
        assertThat(SOUND).contains(sound);
        Profile profile = DescriptionReader.read(SOUND.replaceFirst(
                java.util.regex.Pattern.quote(sound), java.util.regex.Matcher.quoteReplacement(odd)));
        assertThat(said(profile)).anyMatch(w -> w.contains(words));
    }

    @Test
    void functions_out_of_order_are_taken_by_value_and_it_is_said() {
        String two = "<ChannelFunction Name=\"High\" Attribute=\"Dimmer\" DMXFrom=\"128/1\" Default=\"0/1\"/>"
                + "<ChannelFunction Name=\"Dim\"";
        Profile profile = DescriptionReader.read(SOUND.replace("<ChannelFunction Name=\"Dim\"", two));
        assertThat(profile.modes().get(0).channels().get(0).functions())
                .extracting(f -> f.name() + " " + f.from() + "-" + f.to())
                .containsExactly("High 128-255", "Dim 0-127");
        assertThat(said(profile)).anyMatch(w -> w.contains("Functions are not in order: 0 comes behind 128"));
    }

    @Test
    void so_many_modes_are_no_fixture_and_so_many_oddities_are_counted() {
        String mode = "<DMXMode Name=\"%d\" Geometry=\"Body\"/>";
        String all =
                Stream.iterate(0, i -> i + 1).limit(5_000).map(mode::formatted).reduce("", String::concat);
        assertThatThrownBy(() -> DescriptionReader.read(SOUND.replace("</DMXModes>", all + "</DMXModes>")))
                .hasMessage("The description has 5001 modes; at most 500 are read.");
        String some =
                Stream.iterate(0, i -> i + 1).limit(400).map(mode::formatted).reduce("", String::concat);
        List<String> said = said(DescriptionReader.read(SOUND.replace("</DMXModes>", some + "</DMXModes>")));
        assertThat(said).contains("description.xml: 200 more like these.");
    }

    @Test
    void a_slot_of_a_wheel_of_colours_that_says_none_is_white() {
        List<WheelSlot> slots = DescriptionReader.read(SOUND).wheels().get(0).slots();
        Tristimulus open = slots.get(0).colour().orElseThrow();
        assertThat(open.y()).isEqualTo(100);
        assertThat(open.chromaticity().orElseThrow().x()).isEqualTo(0.3127, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(DescriptionReader.read(SOUND.replace(" Color=\"0.4,0.3,20\"", "")
                                .replace("Attribute=\"Color1\"", "Attribute=\"Gobo1\""))
                        .wheels()
                        .get(0)
                        .slots())
                .allMatch(s -> s.colour().isEmpty());
    }

    private static byte[] archive(byte[] description) {
        return HostileArchives.zip(Map.of("description.xml", description));
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16", "UTF-16LE", "windows-1252"})
    void a_description_is_read_in_the_encoding_it_declares_and_goes_out_as_utf_8(String charset) {
        String text = "<?xml version=\"1.0\" encoding=\"" + charset + "\"?>" + SOUND.replace("Testmaker", "Häfen");
        Profile profile = ArchiveReader.read(archive(text.getBytes(Charset.forName(charset))))
                .profile();
        assertThat(profile.maker()).isEqualTo("Häfen");
        assertThat(ArchiveReader.read(ArchiveWriter.write(profile)).profile().maker())
                .isEqualTo("Häfen");
    }

    @Test
    void an_encoding_nobody_knows_is_refused() {
        String text = "<?xml version=\"1.0\" encoding=\"KRAKEN-7\"?>" + SOUND;
        assertThatThrownBy(() -> ArchiveReader.read(archive(text.getBytes(StandardCharsets.UTF_8))))
                .hasMessage("“description.xml” is in the encoding “KRAKEN-7”, which is not known here.");
    }

    @Test
    void a_long_name_in_an_archive_is_said_to_be_long() {
        byte[] octets = HostileArchives.zip("description.xml", SOUND, "wheels/" + "x".repeat(300) + ".png", "");
        assertThatThrownBy(() -> ArchiveReader.read(octets)).hasMessageContaining("whose name has 311 characters");
    }

    @Test
    void the_pictures_that_shipped_wheels_name_go_out_with_them() throws IOException {
        for (Profile shipped : ShippedProfiles.all().all()) {
            Profile read = ArchiveReader.read(ArchiveWriter.write(shipped)).profile();
            assertThat(said(read)).isEmpty();
            for (String name : read.facts().pictures().names()) {
                BufferedImage image = ImageIO.read(new ByteArrayInputStream(
                        read.facts().pictures().find(name).orElseThrow()));
                assertThat(image.getWidth()).isEqualTo(image.getHeight()).isGreaterThan(100);
                int light = image.getRaster().getSample(image.getWidth() / 2, image.getHeight() / 2, 0);
                assertThat(image.getRaster().getSample(1, 1, 0)).as(name).isZero();
                assertThat(light).isBetween(0, 255);
            }
        }
        assertThat(ShippedProfiles.all().all().stream()
                        .mapToInt(p -> p.facts().pictures().names().size())
                        .sum())
                .isEqualTo(14);
    }

    @Test
    void the_number_of_cells_is_bounded() {
        StringBuilder trees = new StringBuilder("<Geometry Name=\"Body\">" + twice(1) + "</Geometry>");
        for (int i = 1; i < 14; i++) {
            trees.append("<Geometry Name=\"L")
                    .append(i)
                    .append("\">")
                    .append(twice(i + 1))
                    .append("</Geometry>");
        }
        String deep = SOUND.replaceFirst(
                "<Geometries>.*</Geometries>", "<Geometries>" + trees + "<Geometry Name=\"L14\"/></Geometries>");
        assertThatThrownBy(() -> DescriptionReader.read(deep)).hasMessageContaining("too many cells");
        List<Mode> fine = DescriptionReader.read(SOUND).modes();
        assertThat(fine).hasSize(1);
    }

    private static String twice(int level) {
        String to = "Geometry=\"L" + level + "\"/>";
        return "<GeometryReference Name=\"a" + level + "\" " + to + "<GeometryReference Name=\"b" + level + "\" " + to;
    }
}
