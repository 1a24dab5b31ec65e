package app.loculus.core.geometry;

import java.util.List;
import java.util.Optional;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.SingularValueDecomposition;

/**
 * How something rigid was moved: turned about where the known points were, then carried to where they are. Nothing is
 * stretched or mirrored.
 *
 * <p>Of one known point: a shift. Of two: a shift and a turn about the vertical. Of three or more: the turn that leaves the
 * least squared misses (Kabsch 1976, by singular values).
 */
public final class Displacement {

    /** Points nearer together than this tell nothing of a turn; metres. */
    private static final double APART = 0.01;

    /** Metres, or degrees: less than this nobody measures. */
    private static final double SMALLEST = 1e-4;

    /** A place that was, and where it is now, in metres. */
    public record Known(Vector3 was, Vector3 is) {}

    private final List<Known> known;
    private final Vector3 about;
    private final Vector3 to;
    private final RealMatrix turn;

    private Displacement(List<Known> known, RealMatrix turn) {
        this.known = known;
        this.about = middle(known.stream().map(Known::was).toList());
        this.to = middle(known.stream().map(Known::is).toList());
        this.turn = turn;
    }

    /** Empty when the points do not tell it: none, two above each other, three in one line. */
    public static Optional<Displacement> of(List<Known> known) {
        return switch (known.size()) {
            case 0 -> Optional.empty();
            case 1 -> Optional.of(new Displacement(known, MatrixUtils.createRealIdentityMatrix(3)));
            case 2 -> level(known.get(0), known.get(1)).map(t -> new Displacement(known, t));
            default -> fitted(known).map(t -> new Displacement(known, t));
        };
    }

    private static Optional<RealMatrix> level(Known a, Known b) {
        Vector3 before = b.was().minus(a.was());
        Vector3 after = b.is().minus(a.is());
        if (Math.min(Math.hypot(before.x(), before.y()), Math.hypot(after.x(), after.y())) < APART) {
            return Optional.empty();
        }
        double angle = Math.atan2(after.y(), after.x()) - Math.atan2(before.y(), before.x());
        double c = Math.cos(angle);
        double s = Math.sin(angle);
        return Optional.of(new Array2DRowRealMatrix(new double[][] {{c, -s, 0}, {s, c, 0}, {0, 0, 1}}));
    }

    private static Optional<RealMatrix> fitted(List<Known> known) {
        Vector3 was = middle(known.stream().map(Known::was).toList());
        Vector3 is = middle(known.stream().map(Known::is).toList());
        RealMatrix covariance = new Array2DRowRealMatrix(3, 3);
        for (Known k : known) {
            covariance = covariance.add(
                    column(k.is().minus(is)).multiply(column(k.was().minus(was)).transpose()));
        }
        SingularValueDecomposition svd = new SingularValueDecomposition(covariance);
        if (svd.getSingularValues()[1] < APART * APART) {
            return Optional.empty();
        }
        RealMatrix proper = MatrixUtils.createRealIdentityMatrix(3);
        // In one plane a reflection fits as well as a turn; the sign keeps it a turn.
        double sign = new LUDecomposition(svd.getU().multiply(svd.getVT())).getDeterminant();
        proper.setEntry(2, 2, sign < 0 ? -1 : 1);
        return Optional.of(svd.getU().multiply(proper).multiply(svd.getVT()));
    }

    private static RealMatrix column(Vector3 v) {
        return new Array2DRowRealMatrix(new double[] {v.x(), v.y(), v.z()});
    }

    private static Vector3 middle(List<Vector3> points) {
        return points.stream().reduce(Vector3.ORIGIN, Vector3::plus).times(1.0 / points.size());
    }

    public Vector3 move(Vector3 place) {
        return to.plus(turned(place.minus(about)));
    }

    public Pose move(Pose pose) {
        return new Pose(
                move(pose.place()),
                Rotation.ofAxes(
                        turned(pose.rotation().turn(new Vector3(1, 0, 0))),
                        turned(pose.rotation().turn(new Vector3(0, 1, 0))),
                        turned(pose.rotation().turn(new Vector3(0, 0, 1)))));
    }

    private Vector3 turned(Vector3 v) {
        double[] r = turn.operate(new double[] {v.x(), v.y(), v.z()});
        return new Vector3(r[0], r[1], r[2]);
    }

    /** Metres by which the middle of the points was shifted, each way. */
    public Vector3 shift() {
        return to.minus(about);
    }

    /** Degrees of the whole turn, 0 to 180. */
    public double degrees() {
        double trace = turn.getTrace();
        return Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, (trace - 1) / 2))));
    }

    /** Whether it is no movement that anybody could measure. */
    public boolean still() {
        return shift().length() < SMALLEST && degrees() < SMALLEST;
    }

    /** Metres by which the worst of the known points does not fit; 0 when they were moved without being bent. */
    public double miss() {
        return known.stream()
                .mapToDouble(k -> move(k.was()).minus(k.is()).length())
                .max()
                .orElse(0);
    }

    /**
     * Where a beam met what was moved: the plane through the known points as they were, level through fewer than three.
     * Empty when it runs along it, away from it, or too flat to tell.
     */
    public Optional<Vector3> metBy(Aiming.Beam beam) {
        return plane().meets(beam);
    }

    private Plane plane() {
        return known.size() < 3
                ? Plane.level(about.z())
                : Plane.through(
                        known.get(0).was(), known.get(1).was(), known.get(2).was());
    }
}
