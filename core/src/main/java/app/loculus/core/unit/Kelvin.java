package app.loculus.core.unit;

import app.loculus.core.problem.Refusal;

/**
 * A colour temperature.
 *
 * @param value 1667 to 25000 K, the range of the formulas used for whites
 */
public record Kelvin(double value) {

    public Kelvin {
        if (!(value >= 1667 && value <= 25000)) {
            throw Refusal.of("unit.kelvin", "temperature", Decimal.text(value, 0) + " K is outside 1667 to 25000 K.");
        }
    }

    public static Kelvin of(double value) {
        return new Kelvin(value);
    }

    @Override
    public String toString() {
        return Decimal.text(value, 0) + " K";
    }
}
