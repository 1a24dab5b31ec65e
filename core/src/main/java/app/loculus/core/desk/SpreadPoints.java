package app.loculus.core.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The fewest values that, spread along steps, give each step what it has: what was set, as far as that can be told. */
final class SpreadPoints {

    /** More handles than this are no help to anybody. */
    private static final int MOST = 9;

    /** In percent: a step of an eight-bit channel is four times as much. */
    private static final double SAME = .1;

    private SpreadPoints() {}

    /**
     * @param values in percent, by step from 0, in the order of steps; not empty
     * @param steps how many there are
     * @return two or more; the first and the last value where no spread of so few gives them
     */
    static List<Double> of(Map<Integer, Double> values, int steps) {
        List<Double> all = List.copyOf(values.values());
        double first = all.get(0);
        double last = all.get(all.size() - 1);
        if (steps > 1 && values.containsKey(0) && values.containsKey(steps - 1)) {
            for (int spans = 1; spans < MOST && spans < steps; spans++) {
                List<Double> points = fitted(values, steps, spans);
                if (!points.isEmpty()) {
                    return points;
                }
            }
        }
        return List.of(first, last);
    }

    /** Each span goes through its first value and its last step within; empty where that misses a step. */
    private static List<Double> fitted(Map<Integer, Double> values, int steps, int spans) {
        List<Double> points = new ArrayList<>(List.of(values.get(0)));
        for (int span = 0; span < spans; span++) {
            double from = (double) span / spans;
            int end = (int) Math.floor((span + 1.0) / spans * (steps - 1) + 1e-9);
            while (end >= 0 && !values.containsKey(end)) {
                end--;
            }
            double t = (double) end / (steps - 1);
            if (t <= from + 1e-9) {
                return List.of();
            }
            double before = points.get(span);
            points.add(before + (values.get(end) - before) / (t - from) / spans);
        }
        boolean inside = points.stream().allMatch(p -> p >= -SAME && p <= 100 + SAME);
        return inside
                        && values.entrySet().stream()
                                .allMatch(e ->
                                        Math.abs(at(points, (double) e.getKey() / (steps - 1)) - e.getValue()) <= SAME)
                ? points
                : List.of();
    }

    private static double at(List<Double> points, double t) {
        double along = t * (points.size() - 1);
        int left = Math.min((int) along, points.size() - 2);
        return points.get(left) + (along - left) * (points.get(left + 1) - points.get(left));
    }
}
