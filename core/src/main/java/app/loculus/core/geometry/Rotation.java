package app.loculus.core.geometry;

/**
 * A turn from a fixture's own frame into the stage's: Rz·Ry·Rx.
 *
 * @param x degrees about the stage's x axis, turned first
 * @param y degrees about y
 * @param z degrees about z, turned last
 */
public record Rotation(double x, double y, double z) {

    public static final Rotation NONE = new Rotation(0, 0, 0);

    /** Straight up or down, turning about x and about z is the same. */
    private static final double UPRIGHT = 1e-9;

    /** The turn that takes the axes of the fixture's own frame to these, each of length 1 and square to the others. */
    static Rotation ofAxes(Vector3 x, Vector3 y, Vector3 z) {
        double aboutY = Math.asin(Math.max(-1, Math.min(1, -x.z())));
        if (Math.abs(Math.cos(aboutY)) < UPRIGHT) {
            return new Rotation(0, Math.toDegrees(aboutY), Math.toDegrees(Math.atan2(-y.x(), y.y())));
        }
        return new Rotation(
                Math.toDegrees(Math.atan2(y.z(), z.z())),
                Math.toDegrees(aboutY),
                Math.toDegrees(Math.atan2(x.y(), x.x())));
    }

    public Vector3 turn(Vector3 v) {
        return aboutZ(aboutY(aboutX(v, x), y), z);
    }

    /** From the stage's frame into the fixture's own. */
    public Vector3 back(Vector3 v) {
        return aboutX(aboutY(aboutZ(v, -z), -y), -x);
    }

    static Vector3 aboutX(Vector3 v, double degrees) {
        double c = cos(degrees);
        double s = sin(degrees);
        return new Vector3(v.x(), c * v.y() - s * v.z(), s * v.y() + c * v.z());
    }

    static Vector3 aboutY(Vector3 v, double degrees) {
        double c = cos(degrees);
        double s = sin(degrees);
        return new Vector3(c * v.x() + s * v.z(), v.y(), c * v.z() - s * v.x());
    }

    static Vector3 aboutZ(Vector3 v, double degrees) {
        double c = cos(degrees);
        double s = sin(degrees);
        return new Vector3(c * v.x() - s * v.y(), s * v.x() + c * v.y(), v.z());
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }

    private static double sin(double degrees) {
        return Math.sin(Math.toRadians(degrees));
    }
}
