package app.loculus.core.motion;

import app.loculus.core.effect.Movement;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.Optional;

/** Waveforms on a channel. */
final class Waving {

    private Waving() {}

    /**
     * A share of a function's range, upwards for what is lit the more, or measures the more.
     *
     * @param size in degrees or in percent
     */
    private static double share(ChannelFunction function, double size, boolean degrees) {
        if (degrees) {
            double range = function.physicalTo() - function.physicalFrom();
            return range == 0 ? 0 : size / range;
        }
        return function.attribute().isLight() && function.runsDown() ? -size / 100 : size / 100;
    }

    private static FunctionValue moved(FunctionValue from, double by) {
        return new FunctionValue(from.function(), Fraction.clamp(from.fraction().value() + by));
    }

    /** Around what lies below, as far as that is a place of the very attribute. */
    record Around(Movement.Wave wave, UnitId unit, Parameter parameter, double size, boolean degrees) implements Move {

        @Override
        public FunctionValue at(FunctionValue below, double turns, Optional<Double> other) {
            if (!below.function().attribute().equals(parameter.attribute())) {
                return below;
            }
            double w = wave.at(turns, unit.fixture().value(), unit.cell());
            return moved(below, share(below.function(), other.orElse(size) / 2, degrees) * w);
        }

        @Override
        public boolean relative() {
            return true;
        }
    }

    /** From one place to another. */
    record Between(
            Movement.Wave wave,
            UnitId unit,
            Mode mode,
            Parameter parameter,
            AttributeValue lowest,
            AttributeValue highest,
            FunctionValue low,
            FunctionValue high)
            implements Move {

        @Override
        public FunctionValue at(FunctionValue below, double turns, Optional<Double> size) {
            double w = wave.at(turns, unit.fixture().value(), unit.cell());
            if (low.function().equals(high.function())) {
                double from = low.fraction().value();
                double to = high.fraction().value();
                double half = size.isPresent() && wave.sized() ? half(size.get(), from <= to) : (to - from) / 2;
                return new FunctionValue(low.function(), Fraction.clamp((from + to) / 2 + half * w));
            }
            if (lowest instanceof AttributeValue.Physical from && highest instanceof AttributeValue.Physical to) {
                double half = size.filter(s -> wave.sized())
                        .map(s -> Math.copySign(s, to.value() - from.value()))
                        .orElse(to.value() - from.value());
                double middle = (from.value() + to.value()) / 2;
                return new AttributeValue.Physical(middle + half / 2 * w)
                        .in(mode, parameter)
                        .orElse(low);
            }
            return w < 0 ? low : high;
        }

        private double half(double size, boolean upwards) {
            double half = Math.abs(share(low.function(), size / 2, lowest instanceof AttributeValue.Physical));
            return upwards ? half : -half;
        }

        @Override
        public boolean relative() {
            return false;
        }
    }
}
