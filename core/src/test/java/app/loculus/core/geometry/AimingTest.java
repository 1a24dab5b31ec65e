package app.loculus.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AimingTest {

    private static final Aiming.Reach WIDE = new Aiming.Reach(-270, 270, -135, 135);

    private static Pose pose(double x, double y, double z, double rx, double rz) {
        return new Pose(new Vector3(x, y, z), new Rotation(rx, 0, rz));
    }

    /** Place, turn about x and z, target, and both ways to hit it. */
    @ParameterizedTest
    @CsvSource({
        "-4,2,6, 0,0, 0,3,0, -75.9638,34.4962, 104.0362,-34.4962",
        "3,-1,6.5, 0,180, 0,4,1.6, -149.0362,49.9582, 30.9638,-49.9582",
        "-5,3,0.2, 180,0, 0,3,4, -90,52.7652, 90,-52.7652",
        "0,6,5.5, 30,0, 1.5,0,0, -169.3100,77.7000, 10.6900,-77.7000"
    })
    void both_ways_hit_the_point_and_the_nearer_one_is_taken(
            double px,
            double py,
            double pz,
            double rx,
            double rz,
            double tx,
            double ty,
            double tz,
            double pan,
            double tilt,
            double otherPan,
            double otherTilt) {
        Pose pose = pose(px, py, pz, rx, rz);
        Vector3 target = new Vector3(tx, ty, tz);
        Aiming.Aim near = Aiming.nearest(pose, target, WIDE, pan, tilt);
        assertThat(near.pan()).isCloseTo(pan, within(1e-4));
        assertThat(near.tilt()).isCloseTo(tilt, within(1e-4));
        Aiming.Aim over = Aiming.nearest(pose, target, WIDE, otherPan, otherTilt);
        assertThat(over.pan()).isCloseTo(otherPan, within(1e-4));
        assertThat(over.tilt()).isCloseTo(otherTilt, within(1e-4));
        assertThat(over.way()).isNotEqualTo(near.way());
        assertThat(Aiming.along(pose, target, WIDE, over.way())).isEqualTo(over);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void aimed_and_cast_back_the_beam_goes_through_the_point(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 50; i++) {
            Pose pose = new Pose(
                    new Vector3(random.nextGaussian() * 5, random.nextGaussian() * 5, random.nextDouble() * 8),
                    new Rotation(random.nextInt(360), random.nextInt(360), random.nextInt(360)));
            Vector3 target = new Vector3(random.nextGaussian() * 5, random.nextGaussian() * 5, random.nextDouble() * 3);
            Aiming.Reach all = new Aiming.Reach(-360, 360, -180, 180);
            Aiming.Aim aim = Aiming.nearest(pose, target, all, random.nextInt(540) - 270, random.nextInt(270) - 135);
            assertThat(aim.reached()).isTrue();
            assertThat(new Aiming.Beam(pose.place(), pose.beam(aim.pan(), aim.tilt())).distanceTo(target))
                    .isLessThan(1e-6);
            assertThat(target.minus(pose.place()).dot(pose.beam(aim.pan(), aim.tilt())))
                    .isPositive();
        }
    }

    @Test
    void straight_down_keeps_pan() {
        Aiming.Aim aim = Aiming.nearest(pose(2, 3, 6, 0, 0), new Vector3(2, 3, 0), WIDE, 123, 40);
        assertThat(aim.pan()).isEqualTo(123);
        assertThat(aim.tilt()).isCloseTo(0, within(1e-9));
    }

    @Test
    void a_whole_turn_further_is_taken_when_the_head_is_there() {
        Pose pose = pose(-4, 2, 6, 0, 0);
        Vector3 target = new Vector3(0, 3, 0);
        assertThat(Aiming.nearest(pose, target, WIDE, 260, -34).pan()).isCloseTo(104.0362, within(1e-4));
        Aiming.Aim round = Aiming.nearest(pose, target, new Aiming.Reach(-400, 400, -135, 135), 300, 34);
        assertThat(round.pan()).isCloseTo(284.0362, within(1e-4));
        assertThat(round.way()).isEqualTo(new Aiming.Way(false, 1));
    }

    @Test
    void out_of_reach_it_points_as_near_as_it_can_and_says_by_how_much() {
        Aiming.Reach narrow = new Aiming.Reach(-30, 30, -20, 20);
        Aiming.Aim aim = Aiming.nearest(pose(0, 0, 6, 0, 0), new Vector3(0, 6, 0), narrow, 0, 0);
        assertThat(aim.reached()).isFalse();
        assertThat(aim.tilt()).isEqualTo(20);
        assertThat(aim.off()).isCloseTo(25, within(1e-6));
    }

    @Test
    void beams_meet_where_they_point() {
        Vector3 spot = new Vector3(1, 4, 1.5);
        List<Aiming.Beam> beams =
                List.of(pose(-4, 2, 6, 0, 0), pose(3, -1, 6.5, 0, 180), pose(0, 6, 5.5, 30, 0)).stream()
                        .map(p -> {
                            Aiming.Aim aim = Aiming.nearest(p, spot, WIDE, 0, 0);
                            return new Aiming.Beam(p.place(), p.beam(aim.pan(), aim.tilt()));
                        })
                        .toList();
        Aiming.Meeting meeting = Aiming.meeting(beams).orElseThrow();
        assertThat(meeting.at().minus(spot).length()).isLessThan(1e-9);
        assertThat(meeting.miss()).isLessThan(1e-9);
        assertThat(Aiming.meeting(beams.subList(0, 1))).isEmpty();
        assertThat(Aiming.meeting(List.of(beams.get(0), beams.get(0)))).isEmpty();
    }
}
