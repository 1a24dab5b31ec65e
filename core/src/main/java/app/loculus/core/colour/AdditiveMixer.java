package app.loculus.core.colour;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.hipparchus.optim.linear.LinearConstraint;
import org.hipparchus.optim.linear.LinearConstraintSet;
import org.hipparchus.optim.linear.LinearObjectiveFunction;
import org.hipparchus.optim.linear.NonNegativeConstraint;
import org.hipparchus.optim.linear.Relationship;
import org.hipparchus.optim.linear.SimplexSolver;
import org.hipparchus.optim.nonlinear.scalar.GoalType;

/**
 * Finds emitter levels with a wanted chromaticity and the most luminance.
 *
 * <p>Level l of emitter i adds l·(X,Y,Z)i. With target (x, y) the mix must satisfy Σ l(X − x·S) = 0 and
 * Σ l(Y − y·S) = 0, S = X+Y+Z: two linear equations, 0 ≤ l ≤ 1, most Σ l·Y. A colour outside the gamut becomes
 * the gamut's nearest point in u′v′.
 */
public final class AdditiveMixer {

    private final List<Emitter> emitters;
    private final Gamut gamut;

    /** @param emitters the visible ones only, at least one, each with light of its own */
    public AdditiveMixer(List<Emitter> emitters) {
        this.emitters = List.copyOf(emitters);
        this.gamut = new Gamut(this.emitters);
    }

    public Mix levelsFor(Chromaticity target) {
        if (gamut.contains(target)) {
            return mix(brightest(target), true);
        }
        Gamut.Nearest nearest = gamut.nearest(target);
        Chromaticity reachable = Chromaticity.ofUv(nearest.u(), nearest.v());
        return mix(alongEdge(nearest, reachable), nearest.distance() <= 1e-9);
    }

    /** Corners of what the emitters reach, counter-clockwise in u′v′; one or two when they make no area. */
    public List<Chromaticity> outline() {
        return gamut.corners();
    }

    /** What the emitters give together at these levels. */
    public Tristimulus light(List<Double> levels) {
        Tristimulus sum = Tristimulus.DARK;
        for (int i = 0; i < emitters.size(); i++) {
            sum = sum.plus(emitters.get(i).full().times(levels.get(i)));
        }
        return sum;
    }

    private Mix mix(List<Double> levels, boolean inGamut) {
        return new Mix(levels, light(levels), inGamut);
    }

    private List<Double> brightest(Chromaticity target) {
        int n = emitters.size();
        double[] luminance = new double[n];
        double[] alongX = new double[n];
        double[] alongY = new double[n];
        List<LinearConstraint> constraints = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Tristimulus full = emitters.get(i).full();
            luminance[i] = full.y();
            alongX[i] = (full.x() - target.x() * full.sum()) / full.sum();
            alongY[i] = (full.y() - target.y() * full.sum()) / full.sum();
            // Unknowns are l·S, so that a dim emitter's equations weigh as much as a bright one's.
            luminance[i] /= full.sum();
            double[] one = new double[n];
            one[i] = 1;
            constraints.add(new LinearConstraint(one, Relationship.LEQ, full.sum()));
        }
        constraints.add(new LinearConstraint(alongX, Relationship.EQ, 0));
        constraints.add(new LinearConstraint(alongY, Relationship.EQ, 0));
        double[] amounts = new SimplexSolver()
                .optimize(
                        new LinearObjectiveFunction(luminance, 0),
                        new LinearConstraintSet(constraints),
                        GoalType.MAXIMIZE,
                        new NonNegativeConstraint(true))
                .getPoint();
        List<Double> levels = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            levels.add(
                    Math.max(0, Math.min(1, amounts[i] / emitters.get(i).full().sum())));
        }
        return levels;
    }

    /** Two emitters, or one: the share that puts the sum on the point, the stronger of them at full. */
    private List<Double> alongEdge(Gamut.Nearest edge, Chromaticity point) {
        List<Double> levels = new ArrayList<>(Collections.nCopies(emitters.size(), 0.0));
        double from = needed(edge.from(), edge.to(), point);
        double to = needed(edge.to(), edge.from(), point);
        double most = Math.max(from, to);
        if (edge.from() == edge.to() || most == 0) {
            levels.set(edge.from(), 1.0);
            return levels;
        }
        levels.set(edge.from(), from / most);
        levels.set(edge.to(), to / most);
        return levels;
    }

    /** Weight of {@code one} in a mix with {@code other} on {@code point}: chromaticities weigh by X+Y+Z. */
    private double needed(int one, int other, Chromaticity point) {
        Chromaticity far = chromaticity(other);
        return Math.hypot(point.x() - far.x(), point.y() - far.y())
                / emitters.get(one).full().sum();
    }

    private Chromaticity chromaticity(int emitter) {
        return emitters.get(emitter).full().chromaticity().orElseThrow();
    }
}
