package app.loculus.core.geometry;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Pan and tilt that hit a point. With e the direction to it in the fixture's own frame: tilt = acos(−ez), pan =
 * atan2(−ex, ey); the other way over is (pan ± 180°, −tilt), and pan repeats every 360° as far as it goes.
 */
public final class Aiming {

    /** Nearer to the axis than this (a sine) every pan points the same way. */
    private static final double STRAIGHT = 1e-9;

    private static final double ROUNDING = 1e-9;

    /** How far pan and tilt go, degrees; the lower end first. */
    public record Reach(double panFrom, double panTo, double tiltFrom, double tiltTo) {

        boolean holds(PanTilt at) {
            return at.pan() >= panFrom && at.pan() <= panTo && at.tilt() >= tiltFrom && at.tilt() <= tiltTo;
        }

        /** How far from the middle of pan. */
        public double aside(PanTilt at) {
            return Math.abs(at.pan() - (panFrom + panTo) / 2);
        }

        double panWithin(double pan) {
            return Math.max(panFrom, Math.min(panTo, pan));
        }

        double tiltWithin(double tilt) {
            return Math.max(tiltFrom, Math.min(tiltTo, tilt));
        }
    }

    /**
     * Which of the ways to hit a point a head takes.
     *
     * @param over the other way over: pan turned by half, tilt to the other side
     * @param turns whole turns of pan away from −180 to 180
     */
    public record Way(boolean over, int turns) {}

    /**
     * Where a head stands to hit a point.
     *
     * @param off degrees by which the beam misses it, 0 when it is reached
     */
    public record Aim(double pan, double tilt, Way way, double off) {

        public boolean reached() {
            return off == 0;
        }
    }

    /** Where a head stands, degrees. */
    public record PanTilt(double pan, double tilt) {

        /** Degrees that both go together on the way from here. */
        public double wayTo(PanTilt other) {
            return Math.abs(other.pan - pan) + Math.abs(other.tilt - tilt);
        }
    }

    private Aiming() {}

    /** The other ways over to where a head points: pan turned by half, tilt to the other side; those within reach. */
    public static List<PanTilt> over(PanTilt now, Reach reach) {
        return Stream.of(new PanTilt(now.pan() - 180, -now.tilt()), new PanTilt(now.pan() + 180, -now.tilt()))
                .filter(reach::holds)
                .toList();
    }

    /** The solution nearest to where the head is; out of reach, what comes nearest to the point. */
    public static Aim nearest(Pose pose, Vector3 target, Reach reach, double panNow, double tiltNow) {
        List<Aim> all = solutions(pose, target, reach, panNow);
        Comparator<Aim> motion =
                Comparator.comparingDouble(a -> Math.abs(a.pan() - panNow) + Math.abs(a.tilt() - tiltNow));
        return all.stream()
                .min(Comparator.comparingDouble(Aim::off).thenComparing(motion))
                .orElseThrow();
    }

    /** The solution that was chosen once; when it does not reach any more, the nearest one to home. */
    public static Aim along(Pose pose, Vector3 target, Reach reach, Way way) {
        Optional<Aim> chosen = solutions(pose, target, reach, 0).stream()
                .filter(a -> a.way().equals(way) && a.reached())
                .findFirst();
        return chosen.orElseGet(() -> nearest(pose, target, reach, 0, 0));
    }

    private static List<Aim> solutions(Pose pose, Vector3 target, Reach reach, double panNow) {
        Vector3 to = target.minus(pose.place());
        Vector3 e = to.length() == 0 ? new Vector3(0, 0, -1) : pose.rotation().back(to.times(1 / to.length()));
        double tilt = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, -e.z()))));
        boolean straight = Math.hypot(e.x(), e.y()) < STRAIGHT;
        double pan = straight ? panNow : Math.toDegrees(Math.atan2(-e.x(), e.y()));
        List<Aim> all = new ArrayList<>();
        for (boolean over : new boolean[] {false, true}) {
            double first = !over ? pan : pan > 0 ? pan - 180 : pan + 180;
            double side = over ? -tilt : tilt;
            int from = (int) Math.floor((reach.panFrom() - first) / 360);
            int until = (int) Math.ceil((reach.panTo() - first) / 360);
            for (int turns = from; turns <= until && !(straight && over); turns++) {
                all.add(aim(pose, to, reach, straight ? pan : first + 360.0 * turns, side, new Way(over, turns)));
            }
        }
        return all;
    }

    private static Aim aim(Pose pose, Vector3 to, Reach reach, double pan, double tilt, Way way) {
        double panIn = reach.panWithin(pan);
        double tiltIn = reach.tiltWithin(tilt);
        boolean in = Math.abs(panIn - pan) < ROUNDING && Math.abs(tiltIn - tilt) < ROUNDING;
        return new Aim(panIn, tiltIn, way, in ? 0 : off(pose, to, panIn, tiltIn));
    }

    private static double off(Pose pose, Vector3 to, double pan, double tilt) {
        double along = pose.beam(pan, tilt).dot(to) / Math.max(1e-12, to.length());
        return Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, along))));
    }

    /** A beam: where it starts and where it goes, length 1. */
    public record Beam(Vector3 from, Vector3 direction) {

        double distanceTo(Vector3 point) {
            Vector3 to = point.minus(from);
            return to.minus(direction.times(to.dot(direction))).length();
        }
    }

    /**
     * Where beams meet.
     *
     * @param miss metres by which the worst of them passes it
     */
    public record Meeting(Vector3 at, double miss) {}

    /** The point nearest to all of them, by least squares; empty for fewer than two, or when they run side by side. */
    public static Optional<Meeting> meeting(List<Beam> beams) {
        double[][] a = new double[3][3];
        double[] b = new double[3];
        for (Beam beam : beams) {
            double[] d = {
                beam.direction().x(), beam.direction().y(), beam.direction().z()
            };
            double[] o = {beam.from().x(), beam.from().y(), beam.from().z()};
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    double part = (i == j ? 1 : 0) - d[i] * d[j];
                    a[i][j] += part;
                    b[i] += part * o[j];
                }
            }
        }
        double whole = determinant(a[0], a[1], a[2]);
        if (beams.size() < 2 || Math.abs(whole) < 1e-9) {
            return Optional.empty();
        }
        double[] point = new double[3];
        for (int column = 0; column < 3; column++) {
            double[][] put = {a[0].clone(), a[1].clone(), a[2].clone()};
            for (int row = 0; row < 3; row++) {
                put[row][column] = b[row];
            }
            point[column] = determinant(put[0], put[1], put[2]) / whole;
        }
        Vector3 at = new Vector3(point[0], point[1], point[2]);
        double miss = beams.stream().mapToDouble(x -> x.distanceTo(at)).max().orElse(0);
        return Optional.of(new Meeting(at, miss));
    }

    private static double determinant(double[] a, double[] b, double[] c) {
        return a[0] * (b[1] * c[2] - b[2] * c[1])
                - a[1] * (b[0] * c[2] - b[2] * c[0])
                + a[2] * (b[0] * c[1] - b[1] * c[0]);
    }
}
