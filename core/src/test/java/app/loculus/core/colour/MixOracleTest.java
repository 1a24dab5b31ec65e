package app.loculus.core.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Mixes against an oracle that enumerates: the brightest mix lies where all emitters but two are off or full, so every
 * such choice is tried and the two that are left are solved for.
 */
class MixOracleTest {

    /** Three to seven emitters anywhere in the diagram, of very different strength. */
    private static List<Emitter> emitters(Random random) {
        List<Emitter> emitters = new ArrayList<>();
        int count = 3 + random.nextInt(5);
        for (int i = 0; i < count; i++) {
            double x = 0.13 + 0.55 * random.nextDouble();
            double y = 0.05 + (0.9 - x) * random.nextDouble();
            emitters.add(Emitter.of(String.valueOf(i), x, y, 3 + 120 * random.nextDouble()));
        }
        return emitters;
    }

    private static double off(Tristimulus full, double white) {
        return full.x() - white * full.sum();
    }

    private static double offY(Tristimulus full, double white) {
        return full.y() - white * full.sum();
    }

    private static OptionalDouble brightest(List<Emitter> emitters, Chromaticity target) {
        OptionalDouble best = OptionalDouble.empty();
        int n = emitters.size();
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                for (int full = 0; full < 1 << n; full++) {
                    if ((full >> i & 1) == 1 || (full >> j & 1) == 1) {
                        continue;
                    }
                    OptionalDouble light = solved(emitters, target, i, j, full);
                    if (light.isPresent() && light.getAsDouble() > best.orElse(-1)) {
                        best = light;
                    }
                }
            }
        }
        return best;
    }

    /** Luminance with {@code full} at 1 and the levels of two emitters solved for, if these lie in 0..1. */
    private static OptionalDouble solved(List<Emitter> emitters, Chromaticity target, int one, int other, int full) {
        double x = 0;
        double y = 0;
        double light = 0;
        for (int k = 0; k < emitters.size(); k++) {
            if ((full >> k & 1) == 1) {
                Tristimulus f = emitters.get(k).full();
                x += off(f, target.x());
                y += offY(f, target.y());
                light += f.y();
            }
        }
        Tristimulus p = emitters.get(one).full();
        Tristimulus q = emitters.get(other).full();
        double px = off(p, target.x());
        double py = offY(p, target.y());
        double qx = off(q, target.x());
        double qy = offY(q, target.y());
        double det = px * qy - qx * py;
        if (Math.abs(det) < 1e-12) {
            return OptionalDouble.empty();
        }
        double a = (-x * qy + qx * y) / det;
        double b = (-px * y + x * py) / det;
        boolean fits = a >= -1e-12 && a <= 1 + 1e-12 && b >= -1e-12 && b <= 1 + 1e-12;
        double sum = light + a * p.y() + b * q.y();
        return fits && sum > 1e-9 ? OptionalDouble.of(sum) : OptionalDouble.empty();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
    void no_mix_of_the_same_colour_is_brighter(long seed) {
        Random random = new Random(seed);
        List<Emitter> emitters = emitters(random);
        AdditiveMixer mixer = new AdditiveMixer(emitters);
        List<Double> some = random.doubles(emitters.size()).boxed().toList();
        Chromaticity target = mixer.light(some).chromaticity().orElseThrow();
        Mix mix = mixer.levelsFor(target);
        double expected = brightest(emitters, target).orElseThrow();
        assertThat(mix.inGamut()).isTrue();
        assertThat(mix.levels()).allMatch(l -> l >= 0 && l <= 1);
        assertThat(mix.light().y()).isCloseTo(expected, within(expected * 1e-6));
        assertThat(differenceTo(mix, target)).isLessThan(1e-6);
    }

    /** Colours of two emitters lie on the straight line between them in u′v′: 400 steps of every pair. */
    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31, 32})
    void outside_of_what_emitters_reach_nothing_is_nearer(long seed) {
        Random random = new Random(seed);
        List<Emitter> emitters = emitters(random);
        Chromaticity target = new Chromaticity(0.1 + 0.5 * random.nextDouble(), 0.05 + 0.3 * random.nextDouble());
        Mix mix = new AdditiveMixer(emitters).levelsFor(target);
        if (brightest(emitters, target).isPresent()) {
            assertThat(mix.inGamut()).isTrue();
            return;
        }
        double nearest = Double.MAX_VALUE;
        for (Emitter one : emitters) {
            for (Emitter other : emitters) {
                Chromaticity a = one.full().chromaticity().orElseThrow();
                Chromaticity b = other.full().chromaticity().orElseThrow();
                for (int step = 0; step <= 400; step++) {
                    double t = step / 400.0;
                    double u = a.u() + t * (b.u() - a.u());
                    double v = a.v() + t * (b.v() - a.v());
                    nearest = Math.min(nearest, Math.hypot(u - target.u(), v - target.v()));
                }
            }
        }
        assertThat(mix.inGamut()).isFalse();
        assertThat(differenceTo(mix, target)).isCloseTo(nearest, within(2e-3)).isLessThanOrEqualTo(nearest + 1e-6);
        assertThat(mix.levels()).contains(1.0);
    }

    private static double differenceTo(Mix mix, Chromaticity target) {
        return mix.light().chromaticity().orElseThrow().differenceTo(target).deltaUv();
    }
}
