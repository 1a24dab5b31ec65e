package app.loculus.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The simulation reads what the renderer wrote; each checks the other. */
class SimulatedFixtureTest {

    private static List<CellLight> light(Show show, int number) {
        Frames frames = new FrameRenderer().render(show.scene());
        Fixture fixture = show.patch().number(number);
        Mode mode = show.patch().modeOf(fixture);
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (Claim claim : show.patch().claimsOf(fixture)) {
            breaks.put(
                    claim.at().breakNumber(),
                    Arrays.copyOfRange(frames.slots(claim.universe()), claim.first() - 1, claim.last()));
        }
        Map<String, app.loculus.core.profile.Wheel> wheels =
                Profile.byName(show.patch().profileOf(fixture).wheels());
        return new SimulatedFixture(mode, mode.emitters(), wheels).light(breaks);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-270, -75.9638, 0, 33.3, 270})
    void heads_turn_where_they_were_sent(double pan) {
        CellLight light = light(Rig.after(Rig.everyKind(), "11 pan at " + pan + " tilt at 34.4962 zoom at 12 deg"), 11)
                .get(0);
        assertThat(light.panDegrees()).isCloseTo(pan, within(0.005));
        assertThat(light.tiltDegrees()).isCloseTo(34.4962, within(0.005));
        assertThat(light.beamDegrees()).isCloseTo(12, within(0.001));
    }

    @ParameterizedTest
    @ValueSource(ints = {11, 21, 31, 61})
    void mixing_fixtures_show_the_colour_they_were_given(int number) {
        Show show = Rig.after(Rig.everyKind(), number + " at 80 colour xy 0.33, 0.36");
        CellLight light = light(show, number).get(0);
        assertThat(light.intensity()).isCloseTo(0.8, within(0.003));
        Chromaticity shown = light.hue().chromaticity().orElseThrow();
        assertThat(shown.differenceTo(new Chromaticity(.33, .36)).deltaUv()).isLessThan(0.003);
    }

    @Test
    void a_wheel_fixture_shows_its_slot() {
        CellLight light = light(Rig.after(Rig.everyKind(), "41 at full Color1 at \"Red\""), 41)
                .get(0);
        assertThat(light.hue().chromaticity().orElseThrow().x()).isGreaterThan(0.6);
    }

    @Test
    void emitters_outside_the_present_mode_give_nothing() {
        Show white = Rig.after(Rig.everyKind(), "61 at full");
        Chromaticity hue = light(white, 61).get(0).hue().chromaticity().orElseThrow();
        assertThat(hue.differenceTo(Chromaticity.D65).deltaUv()).isLessThan(0.001);
    }

    @Test
    void cells_light_up_one_by_one() {
        List<CellLight> lights = light(Rig.after(Rig.everyKind(), "51 at full", "51.1 thru 51.3 at out"), 51);
        assertThat(lights.stream().map(l -> Math.round(l.intensity() * 100))).containsExactly(100L, 0L, 0L, 0L, 100L);
    }
}
