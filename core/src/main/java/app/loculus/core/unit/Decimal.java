package app.loculus.core.unit;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Prints numbers the way people write them: no trailing zeros, a point, at most the asked-for places. */
public final class Decimal {

    private Decimal() {}

    public static String text(double number, int places) {
        if (!Double.isFinite(number)) {
            return String.valueOf(number);
        }
        BigDecimal rounded = BigDecimal.valueOf(number).setScale(places, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }
}
