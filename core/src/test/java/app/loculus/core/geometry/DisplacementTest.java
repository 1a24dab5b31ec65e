package app.loculus.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DisplacementTest {

    private static final List<Vector3> CORNERS =
            List.of(new Vector3(-4, 0, 0), new Vector3(4, 1, 0), new Vector3(0, 6, 1.2));

    private static Vector3 v(double x, double y, double z) {
        return new Vector3(x, y, z);
    }

    private static List<Displacement.Known> known(UnaryOperator<Vector3> moved, List<Vector3> points) {
        return points.stream()
                .map(p -> new Displacement.Known(p, moved.apply(p)))
                .toList();
    }

    /** Turned about any axis (Rodrigues), then carried. */
    private static UnaryOperator<Vector3> anyMove(Random random) {
        Vector3 axis = v(random.nextGaussian(), random.nextGaussian(), random.nextGaussian());
        Vector3 k = axis.times(1 / axis.length());
        double angle = random.nextDouble() * Math.PI * 0.99;
        Vector3 carried = v(random.nextGaussian() * 5, random.nextGaussian() * 5, random.nextGaussian());
        return p -> p.times(Math.cos(angle))
                .plus(k.cross(p).times(Math.sin(angle)))
                .plus(k.times(k.dot(p) * (1 - Math.cos(angle))))
                .plus(carried);
    }

    private static void same(Vector3 actual, Vector3 expected) {
        assertThat(actual.minus(expected).length()).isCloseTo(0, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void three_points_tell_where_everything_else_went_and_how_it_is_turned(long seed) {
        Random random = new Random(seed);
        UnaryOperator<Vector3> moved = anyMove(random);
        Displacement found = Displacement.of(known(moved, CORNERS)).orElseThrow();
        Vector3 other = v(random.nextGaussian() * 9, random.nextGaussian() * 9, random.nextGaussian() * 9);
        same(found.move(other), moved.apply(other));
        assertThat(found.miss()).isCloseTo(0, within(1e-9));
        Pose pose = new Pose(
                other, new Rotation(random.nextInt(360) - 180, random.nextInt(180) - 90.0, random.nextInt(360) - 180));
        double pan = random.nextInt(540) - 270;
        double tilt = random.nextInt(270) - 135;
        Vector3 ahead = pose.place().plus(pose.beam(pan, tilt));
        Pose after = found.move(pose);
        same(after.place().plus(after.beam(pan, tilt)), moved.apply(ahead));
    }

    @Test
    void a_fixture_turned_upright_is_turned_on() {
        Displacement quarter =
                Displacement.of(known(p -> v(-p.y(), p.x(), p.z()), CORNERS)).orElseThrow();
        for (double y : new double[] {-90, 90}) {
            Pose pose = new Pose(v(1, 2, 3), new Rotation(20, y, -35));
            Vector3 beam = pose.beam(33, 21);
            same(quarter.move(pose).beam(33, 21), v(-beam.y(), beam.x(), beam.z()));
        }
    }

    @Test
    void one_point_is_a_shift_and_two_turn_about_the_vertical() {
        Displacement shift = Displacement.of(List.of(new Displacement.Known(v(1, 2, 0), v(1, 3, 0.4))))
                .orElseThrow();
        same(shift.move(v(5, 5, 5)), v(5, 6, 5.4));
        assertThat(shift.degrees()).isZero();
        Displacement turned = Displacement.of(List.of(
                        new Displacement.Known(v(0, 0, 0), v(2, 0, 0)), new Displacement.Known(v(1, 0, 0), v(2, 1, 0))))
                .orElseThrow();
        same(turned.move(v(3, 0, 1)), v(2, 3, 1));
        assertThat(turned.degrees()).isCloseTo(90, within(1e-9));
    }

    @Test
    void points_that_tell_nothing_of_the_turn_are_no_displacement() {
        assertThat(Displacement.of(List.of())).isEmpty();
        assertThat(Displacement.of(known(p -> p, List.of(v(0, 0, 0), v(0, 0, 4)))))
                .isEmpty();
        assertThat(Displacement.of(known(p -> p, List.of(v(0, 0, 0), v(1, 1, 0), v(3, 3, 0)))))
                .isEmpty();
    }

    @Test
    void what_was_bent_or_measured_wrongly_is_told_and_never_mirrored() {
        Displacement stretched = Displacement.of(known(p -> v(p.x() * 1.05, p.y(), p.z()), CORNERS))
                .orElseThrow();
        assertThat(stretched.miss()).isBetween(0.1, 0.3);
        UnaryOperator<Vector3> mirrored = p -> v(-p.x(), p.y(), p.z());
        Displacement notMirrored = Displacement.of(known(
                        mirrored,
                        Stream.concat(CORNERS.stream(), Stream.of(v(1, 1, 5))).toList()))
                .orElseThrow();
        assertThat(notMirrored.miss()).isGreaterThan(0.5);
    }

    @Test
    void a_beam_lands_on_the_plane_of_the_points_or_nowhere() {
        Displacement ramp = Displacement.of(known(p -> p, List.of(v(0, 0, 0), v(4, 0, 0), v(0, 4, 4))))
                .orElseThrow();
        same(ramp.metBy(new Aiming.Beam(v(1, 2, 6), v(0, 0, -1))).orElseThrow(), v(1, 2, 2));
        assertThat(ramp.metBy(new Aiming.Beam(v(1, 2, 6), v(0, 0, 1)))).isEmpty();
        assertThat(ramp.metBy(new Aiming.Beam(v(1, 2, 6), v(1, 0, 0)))).isEmpty();
    }
}
