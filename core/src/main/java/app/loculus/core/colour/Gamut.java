package app.loculus.core.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The convex hull of emitters in u′v′; straight lines of mixing stay straight there. */
final class Gamut {

    /** Points nearer than this to an edge count as on it; far below any visible difference. */
    private static final double EDGE = 1e-9;

    /** A hull corner: an emitter's index and its place in u′v′. */
    private record Corner(int emitter, double u, double v) {}

    /** The nearest reachable point: on the edge from one emitter to another, at share {@code t}. */
    record Nearest(int from, int to, double u, double v, double distance) {}

    private final List<Corner> hull;

    Gamut(List<Emitter> emitters) {
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i < emitters.size(); i++) {
            Chromaticity c = emitters.get(i).full().chromaticity().orElseThrow();
            corners.add(new Corner(i, c.u(), c.v()));
        }
        corners.sort(Comparator.comparingDouble(Corner::u).thenComparingDouble(Corner::v));
        hull = chain(corners);
    }

    /** Andrew's monotone chain, counter-clockwise. */
    private static List<Corner> chain(List<Corner> sorted) {
        if (sorted.size() < 3) {
            return sorted;
        }
        List<Corner> out = new ArrayList<>(half(sorted));
        List<Corner> reversed = new ArrayList<>(sorted);
        java.util.Collections.reverse(reversed);
        List<Corner> upper = half(reversed);
        out.remove(out.size() - 1);
        upper.remove(upper.size() - 1);
        out.addAll(upper);
        return out;
    }

    private static List<Corner> half(List<Corner> sorted) {
        List<Corner> out = new ArrayList<>();
        for (Corner next : sorted) {
            while (out.size() > 1 && turn(out.get(out.size() - 2), out.get(out.size() - 1), next) <= 0) {
                out.remove(out.size() - 1);
            }
            out.add(next);
        }
        return out;
    }

    private static double turn(Corner a, Corner b, Corner c) {
        return (b.u - a.u) * (c.v - a.v) - (b.v - a.v) * (c.u - a.u);
    }

    /** Its corners, counter-clockwise in u′v′; one or two when there are no more. */
    List<Chromaticity> corners() {
        return hull.stream().map(c -> Chromaticity.ofUv(c.u(), c.v())).toList();
    }

    /** Whether a colour lies inside, edges excluded; always false for fewer than three corners. */
    boolean contains(Chromaticity target) {
        Corner point = new Corner(-1, target.u(), target.v());
        boolean inside = hull.size() > 2;
        for (int i = 0; inside && i < hull.size(); i++) {
            Corner a = hull.get(i);
            Corner b = hull.get((i + 1) % hull.size());
            inside = turn(a, b, point) > EDGE * Math.hypot(b.u - a.u, b.v - a.v);
        }
        return inside;
    }

    Nearest nearest(Chromaticity target) {
        Nearest best = null;
        for (int i = 0; i < hull.size(); i++) {
            Nearest on = onEdge(hull.get(i), hull.get((i + 1) % hull.size()), target);
            best = best == null || on.distance < best.distance ? on : best;
        }
        return best;
    }

    private static Nearest onEdge(Corner a, Corner b, Chromaticity target) {
        double du = b.u - a.u;
        double dv = b.v - a.v;
        double length = du * du + dv * dv;
        double along = length == 0 ? 0 : ((target.u() - a.u) * du + (target.v() - a.v) * dv) / length;
        double t = Math.max(0, Math.min(1, along));
        double u = a.u + t * du;
        double v = a.v + t * dv;
        return new Nearest(a.emitter, b.emitter, u, v, Math.hypot(target.u() - u, target.v() - v));
    }
}
