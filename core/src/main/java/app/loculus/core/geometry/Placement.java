package app.loculus.core.geometry;

import java.util.Optional;

/**
 * Where a frame stands in another one, how it is turned and how large it is: p′ = x·u + y·v + z·w + o.
 *
 * @param u where the frame's x axis points, as long as one of its metres; @param v its y axis, @param w its z axis
 * @param o its origin, in metres
 */
public record Placement(Vector3 u, Vector3 v, Vector3 w, Vector3 o) {

    public static final Placement NONE =
            new Placement(new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1), Vector3.ORIGIN);

    /** A box of less than this many cubic metres to one is flat: what was in it cannot be told any more. */
    private static final double FLAT = 1e-12;

    /** Axes that are this far from square, or from length 1, are turned and nothing else; sine, or share. */
    private static final double SQUARE = 1e-4;

    public static Placement of(Pose pose) {
        Rotation turn = pose.rotation();
        return new Placement(turn.turn(NONE.u), turn.turn(NONE.v), turn.turn(NONE.w), pose.place());
    }

    /** A place of the frame, as the outer one has it. */
    public Vector3 point(Vector3 p) {
        return direction(p).plus(o);
    }

    /** A direction of the frame, as the outer one has it. */
    public Vector3 direction(Vector3 d) {
        return u.times(d.x()).plus(v.times(d.y())).plus(w.times(d.z()));
    }

    /** This frame as whatever the outer one stands in has it. */
    public Placement within(Placement outer) {
        return new Placement(outer.direction(u), outer.direction(v), outer.direction(w), outer.point(o));
    }

    /** What a cubic metre becomes; negative for one that is mirrored. */
    public double volume() {
        return u.dot(v.cross(w));
    }

    public boolean mirrored() {
        return volume() < 0;
    }

    /** Whether it is moved and turned and nothing else. */
    public boolean rigid() {
        return !mirrored()
                && unit(u)
                && unit(v)
                && unit(w)
                && Math.abs(u.dot(v)) < SQUARE
                && Math.abs(v.dot(w)) < SQUARE
                && Math.abs(w.dot(u)) < SQUARE;
    }

    private static boolean unit(Vector3 axis) {
        return Math.abs(axis.length() - 1) < SQUARE;
    }

    /** From the outer frame into this one; empty for a frame that is flat. */
    public Optional<Placement> inverse() {
        double volume = volume();
        if (!(Math.abs(volume) > FLAT)) {
            return Optional.empty();
        }
        Vector3 a = v.cross(w).times(1 / volume);
        Vector3 b = w.cross(u).times(1 / volume);
        Vector3 c = u.cross(v).times(1 / volume);
        Placement turned = new Placement(
                new Vector3(a.x(), b.x(), c.x()),
                new Vector3(a.y(), b.y(), c.y()),
                new Vector3(a.z(), b.z(), c.z()),
                Vector3.ORIGIN);
        return Optional.of(new Placement(turned.u, turned.v, turned.w, turned.direction(o.times(-1))));
    }

    /**
     * The place and the turn of it. What is stretched counts as if it were not; of what is mirrored the z axis, along
     * which light leaves, and the x axis count. Empty for one that is flat.
     */
    public Optional<Pose> pose() {
        if (!(Math.abs(volume()) > FLAT)) {
            return Optional.empty();
        }
        Vector3 z = w.times(1 / w.length());
        Vector3 across = u.minus(z.times(u.dot(z)));
        Vector3 x = across.times(1 / across.length());
        return Optional.of(new Pose(o, Rotation.ofAxes(x, z.cross(x), z)));
    }
}
