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
