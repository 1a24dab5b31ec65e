package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.unit.Fraction;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Ranges that say physical values of their own. */
class ScaleTest {

    private static ChannelFunction function(long from, long to, double low, double high, NamedRange... ranges) {
        return new ChannelFunction(
                "Strobe",
                new Attribute("Shutter1Strobe"),
                from,
                to,
                low,
                high,
                from,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(ranges));
    }

    private static long dmx(ChannelFunction f, double physical) {
        return Math.round(f.from() + f.fractionOf(physical).value() * (f.to() - f.from()));
    }

    /**
     * A shutter of which the function says 0 to 16.5 Hz over all of it, and its strobe range 1 to 18.5 from 16 on: 10 Hz
     * is 16 + 9 / 17.5 · 239 = 139, and not 10 / 16.5 · 255 = 155.
     */
    @ParameterizedTest
    @CsvSource({"10, 139", "1, 16", "18.5, 255", "14, 194"})
    void a_strobe_goes_by_its_range(double hertz, long dmx) {
        ChannelFunction strobe = function(
                0,
                255,
                0,
                16.5,
                new NamedRange("Closed", 0, 15, 0, 0, 0),
                new NamedRange("Slow to fast", 16, 255, 1, 18.5, 0));
        assertThat(dmx(strobe, hertz)).isEqualTo(dmx);
        assertThat(strobe.physicalOf(Fraction.of(dmx / 255.0))).isCloseTo(hertz, within(.04));
        assertThat(strobe.reaches(18)).isTrue();
        assertThat(strobe.reaches(19)).isFalse();
    }

    @Test
    void states_slots_and_what_the_function_says_anyway_bend_nothing() {
        ChannelFunction plain = function(0, 65535, -270, 270);
        ChannelFunction same = function(
                0,
                65535,
                -270,
                270,
                new NamedRange("Left", 0, 32767, -270, -.004, 0),
                new NamedRange("Right", 32768, 65535, .0041, 270, 0),
                new NamedRange("Nowhere", 100, 300, 12, 12, 0),
                new NamedRange("Slot", 1000, 2000, 0, 1, 3));
        for (double physical = -270; physical <= 270; physical += .37) {
            assertThat(dmx(same, physical)).isEqualTo(dmx(plain, physical));
        }
    }

    /** A function cut into ranges that each say a part of a scale of their own, rising or falling all along. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void every_value_of_a_scale_comes_back(long seed) {
        Random random = new Random(seed);
        long max = random.nextBoolean() ? 255 : 65535;
        double sign = random.nextBoolean() ? 1 : -1;
        List<NamedRange> ranges = new ArrayList<>();
        double at = random.nextDouble() * 10;
        double begin = at;
        long from = 0;
        while (from < max) {
            long to = Math.min(max, from + 5 + random.nextInt((int) max / 3));
            to = max - to < 5 ? max : to;
            double end = at + 1 + random.nextDouble() * 40;
            ranges.add(new NamedRange("R" + ranges.size(), from, to, sign * at, sign * end, 0));
            at = end + .01;
            from = to + 1;
        }
        ChannelFunction bent = function(0, max, sign * begin, sign * at, ranges.toArray(NamedRange[]::new));
        for (int i = 0; i < 500; i++) {
            long value = random.nextInt((int) max + 1);
            double physical = bent.physicalOf(Fraction.of((double) value / max));
            assertThat(dmx(bent, physical)).as("%s at %s", value, physical).isEqualTo(value);
            assertThat(bent.reaches(physical)).isTrue();
        }
    }
}
