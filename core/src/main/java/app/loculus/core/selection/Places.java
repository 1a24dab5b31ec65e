package app.loculus.core.selection;

import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Patch;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** Where steps lie; a cell lies where its fixture does. */
final class Places {

    private Places() {}

    static Optional<Vector3> of(Step step, Patch patch) {
        List<Vector3> all = step.units().stream()
                .flatMap(u -> patch.find(u.fixture()).stream())
                .flatMap(f -> f.pose().stream())
                .map(Pose::place)
                .toList();
        return all.isEmpty()
                ? Optional.empty()
                : Optional.of(all.stream().reduce(Vector3.ORIGIN, Vector3::plus).times(1.0 / all.size()));
    }

    /** The middle of what they span. */
    static Vector3 middle(Collection<Vector3> places) {
        return new Vector3(middle(places, Vector3::x), middle(places, Vector3::y), middle(places, Vector3::z));
    }

    private static double middle(Collection<Vector3> places, ToDoubleFunction<Vector3> part) {
        double least = places.stream().mapToDouble(part).min().orElse(0);
        double most = places.stream().mapToDouble(part).max().orElse(0);
        return (least + most) / 2;
    }
}
