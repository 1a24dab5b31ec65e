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

    /** The palette it follows, if it follows one. */
    default Optional<PaletteId> followed() {
        return Optional.empty();
    }

    /** Whether a parameter has a place for it; a foreign name has none. */
    default boolean fits(Mode mode, Parameter parameter) {
        return true;
    }

    /** The function of a parameter that it is meant for: a name may lie in another one of its channel. */
    default ChannelFunction functionOf(Mode mode, Parameter parameter) {
        return parameter.function();
    }

    /** What each kind of value becomes in another form: a row, a text. */
    interface Cases<R> {

        R level(double fraction);

        R physical(double value);

        R named(String name);

        R reference(PaletteId palette);
    }

    /** The same in another form. */
    <R> R as(Cases<R> cases);

    /** A share of the range. */
    record Level(Fraction fraction) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.of(fraction);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.level(fraction.value());
        }
    }

    /** A value in the attribute's physical unit; beyond the fixture's reach it stops at the end. */
    record Physical(double value) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.of(function.fractionOf(value));
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.physical(value);
        }
    }

    /** A named range, met in its middle. */
    record Named(String name) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return function.range(name).map(r -> function.fractionOfDmx(r.middle()));
        }

        @Override
        public boolean fits(Mode mode, Parameter parameter) {
            return functionOf(mode, parameter).range(name).isPresent();
        }

        @Override
        public ChannelFunction functionOf(Mode mode, Parameter parameter) {
            return mode.functionWith(parameter, name);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.named(name);
        }
    }

    /** Whatever the palette says, now and later. */
    record Reference(PaletteId palette) implements AttributeValue {
        @Override
        public Optional<Fraction> in(ChannelFunction function) {
            return Optional.empty();
        }

        @Override
        public Optional<PaletteId> followed() {
            return Optional.of(palette);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.reference(palette);
        }
    }

    static AttributeValue level(double fraction) {
        return new Level(Fraction.clamp(fraction));
    }
}
