package app.loculus.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlacementTest {

    private static Pose random(Random random) {
        return new Pose(
                new Vector3(random.nextDouble() * 20 - 10, random.nextDouble() * 20 - 10, random.nextDouble() * 9),
                new Rotation(
                        random.nextDouble() * 360 - 180,
                        random.nextDouble() * 180 - 90,
                        random.nextDouble() * 360 - 180));
    }

    private static void near(Vector3 a, Vector3 b) {
        assertThat(a.minus(b).length()).as("%s and %s", a, b).isLessThan(1e-9);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void a_pose_is_a_placement_and_the_way_in_undoes_the_way_out(long seed) {
        Random random = new Random(seed);
        Pose pose = random(random);
        Placement inner = Placement.of(pose);
        Placement outer = Placement.of(random(random));
        Vector3 p = new Vector3(random.nextDouble(), random.nextDouble(), random.nextDouble());
        near(inner.point(p), pose.rotation().turn(p).plus(pose.place()));
        near(inner.within(outer).point(p), outer.point(inner.point(p)));
        near(outer.inverse().orElseThrow().point(outer.point(p)), p);
        assertThat(inner.rigid()).isTrue();
        Pose back = inner.pose().orElseThrow();
        near(back.place(), pose.place());
        near(back.rotation().turn(p), pose.rotation().turn(p));
    }

    @Test
    void what_is_stretched_points_where_it_pointed() {
        Pose pose = new Pose(new Vector3(1, 2, 3), new Rotation(30, 20, 10));
        Placement p = Placement.of(pose);
        Placement stretched = new Placement(p.u().times(2), p.v().times(0.5), p.w().times(3), p.o());
        assertThat(stretched.rigid()).isFalse();
        near(stretched.pose().orElseThrow().beam(25, 40), pose.beam(25, 40));
    }

    @Test
    void of_what_is_mirrored_the_beam_goes_the_same_way() {
        Pose pose = new Pose(Vector3.ORIGIN, new Rotation(30, 20, 10));
        Placement p = Placement.of(pose);
        Placement mirrored = new Placement(p.u(), p.v().times(-1), p.w(), p.o());
        assertThat(mirrored.mirrored()).isTrue();
        near(mirrored.pose().orElseThrow().beam(0, 0), pose.beam(0, 0));
        assertThat(Placement.of(mirrored.pose().orElseThrow()).volume()).isCloseTo(1, within(1e-9));
    }

    @Test
    void what_is_flat_has_neither_a_turn_nor_a_way_back() {
        Placement flat =
                new Placement(new Vector3(1, 0, 0), new Vector3(2, 0, 0), new Vector3(0, 0, 1), Vector3.ORIGIN);
        assertThat(flat.pose()).isEmpty();
        assertThat(flat.inverse()).isEmpty();
    }
}
