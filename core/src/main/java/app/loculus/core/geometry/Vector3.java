package app.loculus.core.geometry;

/** A place or a direction on the stage, in metres (or without unit, as a direction). */
public record Vector3(double x, double y, double z) {

    public static final Vector3 ORIGIN = new Vector3(0, 0, 0);

    public Vector3 plus(Vector3 other) {
        return new Vector3(x + other.x, y + other.y, z + other.z);
    }

    public Vector3 minus(Vector3 other) {
        return new Vector3(x - other.x, y - other.y, z - other.z);
    }

    public Vector3 times(double factor) {
        return new Vector3(x * factor, y * factor, z * factor);
    }

    public double dot(Vector3 other) {
        return x * other.x + y * other.y + z * other.z;
    }

    /** Right-handed. */
    public Vector3 cross(Vector3 other) {
        return new Vector3(y * other.z - z * other.y, z * other.x - x * other.z, x * other.y - y * other.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** The point at share {@code t} (0…1) of the way to {@code end}. */
    public Vector3 towards(Vector3 end, double t) {
        return plus(end.minus(this).times(t));
    }
}
