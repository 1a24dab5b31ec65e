package app.loculus.core.colour;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;

/** A colour without its brightness: CIE 1931 x, y. */
public record Chromaticity(double x, double y) {

    public static final Chromaticity D65 = new Chromaticity(0.3127, 0.3290);

    public Chromaticity {
        if (!(x >= 0 && y > 0 && x + y <= 1)) {
            throw Refusal.of(
                    "colour.chromaticity",
                    "colour",
                    "x " + Decimal.text(x, 4) + ", y " + Decimal.text(y, 4)
                            + " is no colour: x ≥ 0, y > 0 and x + y ≤ 1 are needed.");
        }
    }

    public static Chromaticity ofUv(double u, double v) {
        double divisor = 6 * u - 16 * v + 12;
        return new Chromaticity(9 * u / divisor, 4 * v / divisor);
    }

    /** CIE 1976 u′. */
    public double u() {
        return 4 * x / (-2 * x + 12 * y + 3);
    }

    /** CIE 1976 v′. */
    public double v() {
        return 9 * y / (-2 * x + 12 * y + 3);
    }

    public ColourDifference differenceTo(Chromaticity other) {
        return new ColourDifference(Math.hypot(u() - other.u(), v() - other.v()));
    }

    public Tristimulus withLuminance(double luminance) {
        return new Tristimulus(x / y * luminance, luminance, (1 - x - y) / y * luminance);
    }

    @Override
    public String toString() {
        return "x " + Decimal.text(x, 4) + " y " + Decimal.text(y, 4);
    }
}
