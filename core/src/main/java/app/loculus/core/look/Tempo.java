package app.loculus.core.look;

import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.Fraction;

/**
 * How a chase runs.
 *
 * @param rate steps a minute, above 0, at most 1200
 * @param crossfade the share of a step in which it comes in; 0 at once
 * @param seed of the order, when that is random
 */
public record Tempo(double rate, Fraction crossfade, Direction direction, int seed) {

    /** One step a second, half of it a crossfade. */
    public static final Tempo USUAL = new Tempo(60, new Fraction(.5), Direction.FORWARDS, 1);

    private static final double FASTEST = 1200;

    /** In which order the steps come. */
    public enum Direction {
        FORWARDS,
        BACKWARDS,
        BOUNCE,
        RANDOM;

        public String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Tempo {
        if (!(rate > 0 && rate <= FASTEST)) {
            throw Refusal.of(
                    "list.rate", "rate", Decimal.text(rate, 2) + " a minute is outside 0.01 to 1200 steps a minute.");
        }
    }

    public Tempo rate(double other) {
        return new Tempo(other, crossfade, direction, seed);
    }

    public Tempo crossfade(Fraction other) {
        return new Tempo(rate, other, direction, seed);
    }

    public Tempo direction(Direction other) {
        return new Tempo(rate, crossfade, other, seed);
    }

    public Tempo seed(int other) {
        return new Tempo(rate, crossfade, direction, other);
    }

    /** How far step ⌊s⌋ has come in over the one before, 0 to 1. @param position s */
    public double share(double position) {
        double f = position - Math.floor(position);
        return crossfade.value() == 0 ? 1 : Math.min(1, f / crossfade.value());
    }

    /** The share of a step after which it has come in, below 1: the step is not over then. */
    public double in() {
        return Math.min(crossfade.value(), 1 - 1e-9);
    }

    @Override
    public String toString() {
        return Decimal.text(rate, 1) + " a minute, crossfade " + crossfade + ", " + direction.word();
    }
}
