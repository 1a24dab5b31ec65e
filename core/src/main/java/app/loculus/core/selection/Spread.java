package app.loculus.core.selection;

import java.util.List;

/**
 * Values that run along the steps of a selection.
 *
 * @param points v0…vm, evenly spaced along the way; one point is the same value for all
 */
public record Spread(List<Double> points) {

    public Spread {
        points = List.copyOf(points);
        if (points.isEmpty()) {
            throw new IllegalArgumentException("A spread needs a value");
        }
    }

    public static Spread of(Double... points) {
        return new Spread(List.of(points));
    }

    /** The value of step {@code i} of {@code n}: at t = i/(n−1) on the polyline; one step gets v0. */
    public double at(int i, int n) {
        int last = points.size() - 1;
        if (n <= 1 || last == 0) {
            return points.get(0);
        }
        double along = (double) i * last / (n - 1);
        int left = Math.min((int) Math.floor(along), last - 1);
        double share = along - left;
        return points.get(left) + share * (points.get(left + 1) - points.get(left));
    }
}
