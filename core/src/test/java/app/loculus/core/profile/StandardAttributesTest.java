package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.profile.words.StandardAttributes;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class StandardAttributesTest {

    static List<Attribute> all() {
        return StandardAttributes.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void every_attribute_is_found_by_its_own_name_and_has_a_kind_and_a_range(Attribute attribute) {
        StandardAttributes.Usual usual = StandardAttributes.of(attribute);
        assertThat(usual.attribute()).isEqualTo(attribute);
        assertThat(usual.from()).isNotEqualTo(usual.to());
        assertThat(usual.pretty()).isNotBlank().doesNotContain("#");
        assertThat(usual.feature()).contains(".");
        assertThat(StandardAttributes.meant(attribute.name())).first().isEqualTo(attribute);
    }

    @ParameterizedTest
    @CsvSource({
        "Dimmer, Dimmer",
        "INTENSITY, Dimmer",
        "Pan, Pan",
        "Red, ColorAdd_R",
        "Amber, ColorAdd_RY",
        "Lime, ColorAdd_GY",
        "Magenta, ColorSub_M",
        "Colour wheel, Color1",
        "Color Wheel 2, Color2",
        "Gobo 2, Gobo2",
        "Gobo 2 rotation, Gobo2PosRotate",
        "Prism rotation, Prism1PosRotate",
        "Shutter / Strobe, Shutter1",
        "Iris, Iris",
        "Focus, Focus1",
        "Zoom, Zoom",
        "CTO, CTO",
        "Dimmer curve, DimmerCurve",
        "P/T speed, PositionMSpeed",
        "Haze, Haze1",
        "Reset, Control1",
        "No function, Control1",
    })
    void the_likeliest_meaning_comes_first(String label, String attribute) {
        assertThat(StandardAttributes.meant(label)).first().isEqualTo(new Attribute(attribute));
    }

    @Test
    void what_is_not_known_is_a_control_without_unit() {
        StandardAttributes.Usual odd = StandardAttributes.of(new Attribute("Confetti"));
        assertThat(odd.definition().kind()).isEqualTo(Kind.CONTROL);
        assertThat(StandardAttributes.meant("xyzzy")).isEmpty();
    }

    @Test
    void kinds_follow_the_feature_group() {
        assertThat(kind("Pan")).isEqualTo(Kind.POSITION);
        assertThat(kind("ColorAdd_R")).isEqualTo(Kind.COLOUR);
        assertThat(kind("Gobo1")).isEqualTo(Kind.BEAM);
        assertThat(kind("Blade1A")).isEqualTo(Kind.SHAPE);
        assertThat(kind("Dimmer")).isEqualTo(Kind.INTENSITY);
    }

    private static Kind kind(String attribute) {
        return StandardAttributes.of(new Attribute(attribute)).definition().kind();
    }
}
