package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Files of ours, written by hand after the standard: what is written must be these, and these must be understood. */
class GoldenDescriptionTest {

    private static String golden(String name) {
        try (InputStream in = GoldenDescriptionTest.class.getResourceAsStream("/golden/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void a_small_profile_is_written_word_for_word() {
        Profile built = DraftBuilder.build(new ProfileDraft(
                "Halden",
                "Buoy",
                3.5,
                120,
                25,
                3200,
                ChartReader.read("Dimmer\nPan 16 540 deg\nScroll: open, Straw #e0c060")
                        .modes()));
        assertThat(DescriptionWriter.write(built).replace("><", ">\n<")).isEqualTo(golden("buoy.xml"));
    }

    @Test
    void cells_breaks_shifts_and_masters_are_understood() {
        Profile profile = DescriptionReader.read(golden("pontoon.xml"));
        assertThat(profile.warnings()).isEmpty();
        Mode mode = profile.mode("wide");
        assertThat(mode.cells()).isEqualTo(3);
        assertThat(mode.footprint()).containsEntry(1, 10).containsEntry(2, 3);
        assertThat(offsets(mode, 1, "ColorAdd_R")).containsExactly(5, 6);
        assertThat(offsets(mode, 3, "ColorAdd_R")).containsExactly(9, 10);
        assertThat(offsets(mode, 2, "Shutter1")).containsExactly(2);
        Channel pan = channel(mode, 0, "Pan");
        assertThat(pan.home()).isEqualTo(8_388_608);
        assertThat(pan.functions().get(0).physicalTo()).isEqualTo(-270);
        Channel colour = channel(mode, 0, "Color1");
        assertThat(colour.functions().get(0).master().orElseThrow().from()).isEqualTo(128);
        assertThat(mode.dimmersOf(mode.channels().indexOf(channel(mode, 2, "ColorAdd_R"))))
                .contains(mode.channels().indexOf(channel(mode, 0, "Dimmer")));
    }

    private static Channel channel(Mode mode, int cell, String attribute) {
        return mode.channelOf(mode.parameter(cell, new Attribute(attribute)).orElseThrow());
    }

    private static List<Integer> offsets(Mode mode, int cell, String attribute) {
        return channel(mode, cell, attribute).offsets();
    }

    @Test
    void the_golden_file_of_cells_survives_being_written_from_the_model() {
        Profile profile = DescriptionReader.read(golden("pontoon.xml"));
        ProfilesAlike.check(profile, DescriptionReader.read(DescriptionWriter.write(profile)));
    }
}
