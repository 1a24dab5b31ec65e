package app.loculus.core.value;

import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.Fraction;
import java.util.Optional;

/** What an attribute is set to. */
public sealed interface AttributeValue {

    /** The share of the function's range; empty when the function cannot say (a foreign name, a reference). */
    Optional<Fraction> in(ChannelFunction function);

    /** A share of the range. */
    record Level(Fraction fraction) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.of(fraction);
        }
    }

    /** A value in the attribute's physical unit; beyond the fixture's reach it stops at the end. */
    record Physical(double value) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.of(function.fractionOf(value));
        }
    }

    /** A named range, met in its middle. */
    record Named(String name) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return function.range(name).map(r -> function.fractionOfDmx(r.middle()));
        }
    }

    /** Whatever the palette says, now and later. */
    record Reference(PaletteId palette) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.empty();
        }
    }

    /** The function of a parameter that this value is meant for: a name may lie in another one of its channel. */
    default ChannelFunction functionOf(Mode mode, Parameter parameter) {
        return this instanceof Named named ? mode.functionWith(parameter, named.name()) : parameter.function();
    }

    static AttributeValue level(double fraction) {
        return new Level(Fraction.clamp(fraction));
    }
}
