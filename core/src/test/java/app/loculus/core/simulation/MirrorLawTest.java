package app.loculus.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.colour.Chromaticity;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is asked for comes out of the simulated fixtures, within the steps of DMX. */
class MirrorLawTest {

    private static CellLight light(Show show, int number) {
        Frames frames = new FrameRenderer().render(show.scene());
        Fixture fixture = show.patch().number(number);
        Mode mode = show.patch().modeOf(fixture);
        Map<Integer, byte[]> breaks = new HashMap<>();
        for (Claim claim : show.patch().claimsOf(fixture)) {
            breaks.put(
                    claim.at().breakNumber(),
                    Arrays.copyOfRange(frames.slots(claim.universe()), claim.first() - 1, claim.last()));
        }
        return new SimulatedFixture(
                        mode,
                        mode.emitters(),
                        Profile.byName(show.patch().profileOf(fixture).wheels()))
                .light(breaks)
                .get(0);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void levels_angles_and_colours_arrive(long seed) {
        Random random = new Random(seed);
        int level = 20 + random.nextInt(81);
        int pan = random.nextInt(541) - 270;
        int tilt = random.nextInt(271) - 135;
        double x = 0.26 + 0.12 * random.nextDouble();
        double y = 0.28 + 0.10 * random.nextDouble();
        Show show = Rig.after(
                Rig.everyKind(),
                "all at " + level + " colour xy " + x + ", " + y,
                "11 pan at " + pan + " tilt at " + tilt);
        for (int number : List.of(11, 21, 31, 51, 61)) {
            CellLight light = light(show, number);
            Chromaticity shown = light.hue().chromaticity().orElseThrow();
            double step = number == 21 || number == 51 ? 0.02 : 0.006;
            assertThat(light.intensity()).as("level of %d", number).isCloseTo(level / 100.0, within(step));
            assertThat(shown.differenceTo(new Chromaticity(x, y)).deltaUv())
                    .as("colour of %d", number)
                    .isLessThan(0.008);
        }
        assertThat(light(show, 1).intensity()).isCloseTo(level / 100.0, within(0.003));
        assertThat(light(show, 11).panDegrees()).isCloseTo(pan, within(0.005));
        assertThat(light(show, 11).tiltDegrees()).isCloseTo(tilt, within(0.003));
    }

    /** The figure of the palettes and the light of the simulation come from two readings of the profile. */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31, 32})
    void the_difference_a_palette_tells_is_the_one_that_shines(long seed) {
        Random random = new Random(seed);
        List<Integer> numbers = List.of(11, 21, 31, 41, 51, 61);
        int from = numbers.get(random.nextInt(numbers.size()));
        double x = 0.18 + 0.4 * random.nextDouble();
        double y = 0.12 + 0.3 * random.nextDouble();
        Show recorded = Rig.after(Rig.everyKind(), from + " colour xy " + x + ", " + y, "record colour 1", "clear all");
        Palette palette = recorded.palette(Kind.COLOUR, 1).orElseThrow();
        for (int number : numbers) {
            Show show = Rig.after(recorded, number + " at full colour 1");
            Fixture fixture = show.patch().number(number);
            int cell = show.patch().modeOf(fixture).cells() > 0 ? 1 : 0;
            double told = show.resolver()
                    .giver()
                    .give(palette, new UnitId(fixture.id(), cell))
                    .difference()
                    .orElseThrow()
                    .deltaUv();
            double shines = light(show, number)
                    .light()
                    .chromaticity()
                    .orElseThrow()
                    .differenceTo(palette.intent().orElseThrow())
                    .deltaUv();
            assertThat(told).as("%d from %d", number, from).isCloseTo(shines, within(1e-6));
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void noise_on_the_line_is_survived_and_stays_in_range(long seed) {
        Random random = new Random(seed);
        for (Profile profile : Rig.ALL.all()) {
            Mode mode = profile.modes().get(0);
            SimulatedFixture fixture = new SimulatedFixture(mode, mode.emitters(), Profile.byName(profile.wheels()));
            byte[] slots = new byte[random.nextInt(mode.slots() + 1)];
            random.nextBytes(slots);
            for (CellLight light : fixture.light(Map.of(1, slots))) {
                assertThat(light.intensity()).as(profile.name()).isBetween(0.0, 1.0);
                assertThat(light.panDegrees()).isBetween(-270.0, 270.0);
                assertThat(light.light().y()).isNotNegative();
            }
        }
    }

    @Test
    void silence_is_dark() {
        for (Profile profile : Rig.ALL.all()) {
            Mode mode = profile.modes().get(0);
            List<CellLight> lights = new SimulatedFixture(mode, mode.emitters(), Map.of()).light(Map.of());
            assertThat(lights).as(profile.name()).allMatch(l -> l.intensity() == 0);
        }
    }
}
