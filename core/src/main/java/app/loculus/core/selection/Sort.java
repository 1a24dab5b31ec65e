package app.loculus.core.selection;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Steps in the order of their numbers or places. A step lies in the middle of its units; what hangs nowhere comes last.
 * Steps that tie stay in the order they were in.
 *
 * @param from for {@link By#OUTWARD} the point on the plan it runs from, else the middle of all; z does not count
 */
public record Sort(By by, Optional<Vector3> from) implements Pattern {

    /** What is looked at. */
    public enum By {
        NUMBER,
        /** from the audience's left to its right: x */
        ACROSS,
        /** from the audience upstage: y */
        ALONG,
        /** from the floor: z */
        UP,
        /** by the distance from a point on the plan */
        OUTWARD;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Sort {
        from = from == null || by != By.OUTWARD ? Optional.empty() : from;
    }

    public static Sort by(By by) {
        return new Sort(by, Optional.empty());
    }

    @Override
    public List<Step> take(List<Step> steps, Patch patch) {
        List<Step> sorted = new ArrayList<>(steps);
        if (by == By.NUMBER) {
            sorted.sort(byNumber(patch));
            return sorted;
        }
        Map<Step, Vector3> places = new HashMap<>();
        steps.forEach(s -> Places.of(s, patch).ifPresent(p -> places.put(s, p)));
        Vector3 middle = from.orElseGet(() -> Places.middle(places.values()));
        sorted.sort(Comparator.comparingDouble(
                s -> places.containsKey(s) ? measure(places.get(s), middle) : Double.MAX_VALUE));
        return sorted;
    }

    /** In whole millimetres, so that what was meant to hang alike does. */
    private double measure(Vector3 place, Vector3 middle) {
        double metres = switch (by) {
            case ACROSS -> place.x();
            case ALONG -> place.y();
            case UP -> place.z();
            default -> Math.hypot(place.x() - middle.x(), place.y() - middle.y());
        };
        return Math.rint(metres * 1000);
    }

    private static Comparator<Step> byNumber(Patch patch) {
        return Comparator.<Step>comparingInt(s -> number(s.units().get(0), patch))
                .thenComparingInt(s -> s.units().get(0).cell());
    }

    private static int number(UnitId unit, Patch patch) {
        return patch.find(unit.fixture()).map(Fixture::number).orElse(Integer.MAX_VALUE);
    }

    @Override
    public String words() {
        return "sort by " + by.word()
                + from.map(p -> " from " + Decimal.text(p.x(), 3) + ", " + Decimal.text(p.y(), 3))
                        .orElse("");
    }
}
