package app.loculus.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.chart.ChartReader;
import app.loculus.core.chart.DraftBuilder;
import app.loculus.core.chart.ProfileDraft;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A chart of two modes that have the same words for other wheels and other lights. */
class TwoModesTest {

    private static final String CHART = """
            Mode short:
            Dimmer
            Colour wheel: open, Rose #e06080, Sea #2080c0
            Gobo: open, Ripple
            Red #ff2000
            Green
            Blue
            Mode long:
            Dimmer
            Colour wheel: open, Straw #e0c060, Fern #208040, Plum #602080
            Gobo: open, Ripple
            Red #ff0060
            Green
            Blue
            """;

    private static Profile profile() {
        return DraftBuilder.build(new ProfileDraft(
                "Halden", "Jetty", 0, 0, 0, 0, ChartReader.read(CHART).modes()));
    }

    private static List<String> slots(Profile profile, String mode, String attribute) {
        Map<String, Wheel> wheels = Profile.byName(profile.wheels());
        Mode of = profile.mode(mode);
        return of.channels().stream()
                .flatMap(c -> c.functions().stream())
                .filter(f -> f.attribute().name().equals(attribute))
                .flatMap(f -> f.wheel().stream())
                .findFirst()
                .map(wheels::get)
                .orElseThrow()
                .slots()
                .stream()
                .map(WheelSlot::name)
                .toList();
    }

    private static void holds(Profile profile) {
        assertThat(slots(profile, "short", "Color1")).containsExactly("open", "Rose", "Sea");
        assertThat(slots(profile, "long", "Color1")).containsExactly("open", "Straw", "Fern", "Plum");
        assertThat(profile.wheels())
                .extracting(Wheel::name)
                .doesNotHaveDuplicates()
                .hasSize(3);
        assertThat(slots(profile, "long", "Gobo1")).isEqualTo(slots(profile, "short", "Gobo1"));
        Attribute red = new Attribute("ColorAdd_R");
        double one = profile.mode("short")
                .emitters()
                .get(red)
                .chromaticity()
                .orElseThrow()
                .y();
        double other = profile.mode("long")
                .emitters()
                .get(red)
                .chromaticity()
                .orElseThrow()
                .y();
        assertThat(one - other).isGreaterThan(.03);
        Attribute green = new Attribute("ColorAdd_G");
        assertThat(profile.mode("short").emitters().get(green))
                .isEqualTo(profile.mode("long").emitters().get(green));
    }

    @Test
    void each_has_its_own_and_keeps_it_in_a_file() {
        Profile built = profile();
        holds(built);
        Profile read = DescriptionReader.read(DescriptionWriter.write(built));
        assertThat(read.warnings()).isEmpty();
        holds(read);
        ProfilesAlike.check(built, read);
    }
}
