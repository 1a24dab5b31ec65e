package app.loculus.core.profile;

import app.loculus.core.unit.Fraction;

/**
 * A place within a channel function.
 *
 * @param fraction 0 at the function's first DMX value, 1 at its last
 */
public record FunctionValue(ChannelFunction function, Fraction fraction) {

    /** from + round(f·(to − from)), halves up. */
    public long dmx() {
        return function.from() + (long) Math.floor(fraction.value() * (function.to() - function.from()) + 0.5);
    }

    /** Light let through or given, 0 to 1: a function whose physical range runs down is lit at its lower DMX end. */
    public double light() {
        return function.runsDown() ? 1 - fraction.value() : fraction.value();
    }

    /**
     * The share that people set and read: of its light for what lets light through or gives it, whichever way it runs;
     * of its range for everything else.
     */
    public Fraction share() {
        return function.attribute().isLight() ? Fraction.clamp(light()) : fraction;
    }

    /** The place of a share as people set it. */
    public static FunctionValue of(ChannelFunction function, Fraction share) {
        return function.attribute().isLight() ? lit(function, share.value()) : new FunctionValue(function, share);
    }

    /** @param light 0 to 1 */
    public static FunctionValue lit(ChannelFunction function, double light) {
        return new FunctionValue(function, Fraction.clamp(function.runsDown() ? 1 - light : light));
    }
}
