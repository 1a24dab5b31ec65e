package app.loculus.core.carry;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Plane;
import app.loculus.core.geometry.Vector3;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;

/** What a beam is meant for: a mark that it passes closely, else where it meets the floor, else some way along it. */
final class Spot {

    /** Nearer than this it was meant for the mark; metres. */
    private static final double CLOSE = 0.25;

    /** A beam that meets nothing before is aimed at this far along; metres. */
    private static final double FAR = 25;

    private Spot() {}

    static Vector3 of(Aiming.Beam beam, Collection<Vector3> marks) {
        Optional<Vector3> mark = marks.stream()
                .filter(m -> passes(beam, m) <= CLOSE)
                .min(Comparator.comparingDouble(m -> passes(beam, m)));
        return mark.orElseGet(() -> Plane.level(0)
                .meets(beam)
                .filter(p -> p.minus(beam.from()).length() <= FAR)
                .orElseGet(() -> beam.from().plus(beam.direction().times(FAR))));
    }

    /** Metres by which a beam misses a place; what lies behind it is missed by all the way there. */
    static double passes(Aiming.Beam beam, Vector3 place) {
        Vector3 to = place.minus(beam.from());
        double along = to.dot(beam.direction());
        return along <= 0
                ? to.length()
                : to.minus(beam.direction().times(along)).length();
    }
}
