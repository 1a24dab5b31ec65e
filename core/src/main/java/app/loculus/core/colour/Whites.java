package app.loculus.core.colour;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Kelvin;

/**
 * White by temperature: Planckian below 4000 K, CIE daylight from there.
 *
 * <p>Sources: daylight locus from CIE 15; Planckian locus by the cubic splines of Kim et al. (2002), good to a few
 * 10⁻⁴ in x and y above 1667 K.
 */
public final class Whites {

    /** Further off the locus nothing is called white: about six times what a person sees as neutral. */
    private static final double FURTHEST = 0.05;

    private Whites() {}

    public static Chromaticity of(Kelvin temperature) {
        return temperature.value() < 4000 ? planckian(temperature.value()) : daylight(temperature.value());
    }

    /**
     * @param duv tint: distance from the locus in CIE 1960 uv, −0.05 to 0.05, positive towards green
     * @throws Refusal when the tint is further off
     */
    public static Chromaticity of(Kelvin temperature, double duv) {
        if (!(Math.abs(duv) <= FURTHEST)) {
            throw Refusal.of(
                    "colour.tint",
                    "tint",
                    "A tint of " + Decimal.text(duv, 4) + " is no white any more.",
                    WayOut.advice("Tints go from -0.05, magenta, to 0.05, green."));
        }
        if (duv == 0) {
            return of(temperature);
        }
        double t = temperature.value();
        Chromaticity on = of(temperature);
        // Both on one branch: the two loci do not meet at 4000 K.
        Chromaticity warmer = t < 4000 ? planckian(t - 10) : daylight(t - 10);
        double du = on.u() - warmer.u();
        double dv = (on.v() - warmer.v()) * 2 / 3;
        double length = Math.hypot(du, dv);
        // The normal of the locus that points up, to green: towards cooler du is negative.
        double u = on.u() + duv * dv / length;
        double v60 = on.v() * 2 / 3 - duv * du / length;
        return Chromaticity.ofUv(u, v60 * 1.5);
    }

    private static Chromaticity daylight(double t) {
        double x = t <= 7000
                ? 0.244063 + 0.09911e3 / t + 2.9678e6 / (t * t) - 4.6070e9 / (t * t * t)
                : 0.237040 + 0.24748e3 / t + 1.9018e6 / (t * t) - 2.0064e9 / (t * t * t);
        return new Chromaticity(x, -3.000 * x * x + 2.870 * x - 0.275);
    }

    private static Chromaticity planckian(double t) {
        double x = -0.2661239e9 / (t * t * t) - 0.2343589e6 / (t * t) + 0.8776956e3 / t + 0.179910;
        double y = t < 2222
                ? ((-1.1063814 * x - 1.34811020) * x + 2.18555832) * x - 0.20219683
                : ((-0.9549476 * x - 1.37418593) * x + 2.09137015) * x - 0.16748867;
        return new Chromaticity(x, y);
    }
}
