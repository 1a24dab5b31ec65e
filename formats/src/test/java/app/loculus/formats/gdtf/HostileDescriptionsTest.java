package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Broken and hostile descriptions end in a profile with warnings or in a refusal in words, never in anything else. */
class HostileDescriptionsTest {

    private static final String SOURCE =
            ShippedProfiles.all().type("Gull Panel / 8-slot").profile().source();

    private static void survives(String xml) {
        assertThatCode(() -> {
                    try {
                        Profile profile = DescriptionReader.read(xml);
                        for (Mode mode : profile.modes()) {
                            assertThat(mode.footprint().values()).allMatch(slots -> slots <= 512);
                        }
                    } catch (Refusal refusal) {
                        assertThat(refusal.problems()).isNotEmpty();
                        assertThat(refusal.problems().get(0).place().subject()).isNotBlank();
                    }
                })
                .doesNotThrowAnyException();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void attributes_with_their_values_exchanged(long seed) {
        Random random = new Random(seed);
        String[] odd = {
            "",
            "-1",
            "999999999999",
            "NaN",
            "1e309",
            "0/9",
            "300/1",
            "x,y,z",
            "0,0,0",
            "Head_Dimmer",
            "\u0000".replace("\u0000", "?"),
            "None"
        };
        List<String> parts = new ArrayList<>(List.of(SOURCE.split("(?<==)(?=\")")));
        for (int i = 0; i < 25; i++) {
            int at = 4 + random.nextInt(parts.size() - 5);
            parts.set(at, parts.get(at).replaceFirst("\"[^\"]*\"", "\"" + odd[random.nextInt(odd.length)] + "\""));
        }
        survives(String.join("", parts));
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26})
    void lines_lost_or_doubled(long seed) {
        Random random = new Random(seed);
        List<String> lines = new ArrayList<>(SOURCE.lines().toList());
        for (int i = 0; i < 6; i++) {
            int at = random.nextInt(lines.size());
            if (random.nextBoolean()) {
                lines.remove(at);
            } else {
                lines.add(at, lines.get(at));
            }
        }
        survives(String.join("\n", lines));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.01, 0.2, 0.5, 0.9, 0.999})
    void cut_off_in_the_middle(double share) {
        survives(SOURCE.substring(0, (int) (SOURCE.length() * share)));
    }

    @Test
    void a_geometry_that_refers_to_itself() {
        survives(SOURCE.replace(
                "</Geometry>\n      </Geometry>",
                "<GeometryReference Name=\"r\" Geometry=\"Base\"/></Geometry>\n      </Geometry>"));
    }

    @Test
    void a_lamp_that_cannot_be_and_an_emitter_without_colour_are_warned_of() {
        Profile profile = DescriptionReader.read(SOURCE.replace("ColorTemperature=\"5600\"", "ColorTemperature=\"-3\"")
                .replace("Color=\"0.690,0.308,25\"", "Color=\"red\""));
        assertThat(profile.warnings())
                .anyMatch(w -> w.words().contains("-3.0 K cannot be right"))
                .anyMatch(w -> w.words().contains("“red” is no colour"));
        assertThat(profile.modes()).hasSize(2);
    }
}
