package app.loculus.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PoseTest {

    /** Worked figures: place, turn about x and z, target, pan and tilt that hit it. */
    @ParameterizedTest
    @CsvSource({
        "-4,2,6, 0,0, 0,3,0, -75.9638,34.4962",
        "-4,2,6, 0,0, 0,3,0, 104.0362,-34.4962",
        "3,-1,6.5, 0,180, 0,4,1.6, -149.0362,49.9582",
        "-5,3,0.2, 180,0, 0,3,4, -90,52.7652",
        "0,6,5.5, 30,0, 1.5,0,0, -169.3100,77.7000"
    })
    void the_beam_points_at_the_target(
            double px,
            double py,
            double pz,
            double rx,
            double rz,
            double tx,
            double ty,
            double tz,
            double pan,
            double tilt) {
        Pose pose = new Pose(new Vector3(px, py, pz), new Rotation(rx, 0, rz));
        Vector3 wanted = new Vector3(tx, ty, tz).minus(pose.place());
        Vector3 beam = pose.beam(pan, tilt).times(wanted.length());
        assertThat(beam.minus(wanted).length()).isLessThan(2e-5 * wanted.length());
    }

    @Test
    void a_hanging_fixture_at_home_lands_below_itself() {
        Vector3 landing = Pose.at(2, 3, 6).landing(0, 0).orElseThrow();
        assertThat(landing.x()).isCloseTo(2, within(1e-12));
        assertThat(landing.y()).isCloseTo(3, within(1e-12));
        assertThat(landing.z()).isCloseTo(0, within(1e-12));
    }

    @Test
    void a_level_beam_never_lands() {
        assertThat(Pose.at(0, 0, 6).landing(0, 90)).isEmpty();
        assertThat(Pose.at(0, 0, 6).landing(0, 120)).isEmpty();
    }
}
