package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;

/**
 * A share of a channel function's range.
 *
 * @param value 0 (lowest DMX value of the range) to 1 (highest)
 */
public record Fraction(double value) implements Comparable<Fraction> {

    public static final Fraction ZERO = new Fraction(0);
    public static final Fraction FULL = new Fraction(1);

    public Fraction {
        if (!(value >= 0 && value <= 1)) {
            throw Refusal.of(
                    "unit.fraction",
                    "level",
                    "A level of " + Decimal.text(value * 100, 2) + " % is outside 0 to 100 %.");
        }
    }

    public static Fraction of(double value) {
        return new Fraction(value);
    }

    public static Fraction ofPercent(double percent) {
        return new Fraction(percent / 100);
    }

    /** Brings any finite number into 0…1; for computed values whose last digit may overshoot. */
    public static Fraction clamp(double value) {
        return new Fraction(Math.max(0, Math.min(1, value)));
    }

    /** Reads {@code "72 %"} or {@code "72"}. */
    public static Fraction parse(String text) {
        try {
            return ofPercent(Double.parseDouble(text.replace("%", "").strip()));
        } catch (NumberFormatException e) {
            throw Refusal.of("unit.fraction", "level", "“" + text + "” is no percentage, such as 72 %.");
        }
    }

    public Fraction times(Fraction other) {
        return new Fraction(value * other.value);
    }

    @Override
    public int compareTo(Fraction other) {
        return Double.compare(value, other.value);
    }

    @Override
    public String toString() {
        return Decimal.text(value * 100, 2) + " %";
    }
}
