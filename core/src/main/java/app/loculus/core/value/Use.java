package app.loculus.core.value;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;
import java.util.Optional;

/**
 * One unit's place in an effect.
 *
 * @param step along the steps it was spread over, from 0
 * @param steps how many there were, from 1
 * @param rate cycles a minute in place of the effect's own
 * @param size in place of the effect's own, in its unit
 * @param ahead rounds that it is ahead of its rate counted from time 0, so that another rate set by hand goes on from
 *     where it was
 */
public record Use(EffectId effect, int step, int steps, Optional<Double> rate, Optional<Double> size, double ahead) {

    /** Rounds a minute; at the highest one a round takes four frames. */
    public static final double FASTEST = 600;

    /** From where the effect itself is. */
    public Use(EffectId effect, int step, int steps, Optional<Double> rate, Optional<Double> size) {
        this(effect, step, steps, rate, size, 0);
    }

    /** The same from where the effect itself is: what is recorded begins anew whenever it is played. */
    public Use anew() {
        return ahead == 0 ? this : new Use(effect, step, steps, rate, size);
    }

    public Use {
        if (steps < 1 || step < 0 || step >= steps) {
            throw new IllegalArgumentException("Step " + step + " of " + steps);
        }
        if (!Double.isFinite(ahead)) {
            throw new IllegalArgumentException("It is ahead by no number");
        }
        rate.ifPresent(Use::checkRate);
        size.ifPresent(Use::checkSize);
    }

    /** @throws Refusal when it is outside 0 to 600 cycles a minute */
    public static void checkRate(double rate) {
        if (!(rate >= 0 && rate <= FASTEST)) {
            throw Refusal.of(
                    "effect.rate", "rate", Decimal.text(rate, 2) + " a minute is outside 0 to 600 cycles a minute.");
        }
    }

    /** @throws Refusal when it is outside 0 to 1000 */
    public static void checkSize(double size) {
        if (!(size >= 0 && size <= 1000)) {
            throw Refusal.of("effect.size", "size", "A size of " + Decimal.text(size, 2) + " is outside 0 to 1000.");
        }
    }
}
