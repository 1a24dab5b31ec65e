package app.loculus.core.geometry;

import java.util.Optional;

/** A plane in which beams land. @param at some point of it; @param normal its direction, length 1 */
public record Plane(Vector3 at, Vector3 normal) {

    /** Flatter than this a beam does not tell where it lands; sine of the angle to the plane. */
    private static final double FLAT = 0.02;

    public static Plane level(double z) {
        return new Plane(new Vector3(0, 0, z), new Vector3(0, 0, 1));
    }

    static Plane through(Vector3 a, Vector3 b, Vector3 c) {
        Vector3 across = b.minus(a).cross(c.minus(a));
        return new Plane(a, across.times(1 / across.length()));
    }

    /** Where a beam lands on it, if it goes there. */
    public Optional<Vector3> meets(Aiming.Beam beam) {
        double towards = beam.direction().dot(normal);
        double along = at.minus(beam.from()).dot(normal) / towards;
        return Math.abs(towards) < FLAT || along <= 0
                ? Optional.empty()
                : Optional.of(beam.from().plus(beam.direction().times(along)));
    }
}
