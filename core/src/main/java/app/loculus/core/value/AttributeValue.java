package app.loculus.core.value;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.unit.Fraction;
import java.util.Optional;

/** What an attribute is set to. */
public sealed interface AttributeValue {

    /**
     * Where it puts a parameter: the function it is meant for, among all that the attribute has on its channel, and the
     * place within; empty when the parameter has no place for it (a foreign name, a reference).
     */
    Optional<FunctionValue> in(Mode mode, Parameter parameter);

    /** The palette it follows, if it follows one. */
    default Optional<PaletteId> followed() {
        return Optional.empty();
    }

    /** The place it has in an effect, if one moves it. */
    default Optional<Use> moved() {
        return Optional.empty();
    }

    /** Whether a parameter has a place for it; a foreign name has none. */
    default boolean fits(Mode mode, Parameter parameter) {
        return true;
    }

    /** What each kind of value becomes in another form: a row, a text. */
    interface Cases<R> {

        R level(double fraction);

        R physical(double value);

        R named(String name);

        R dmx(DmxValue value);

        R aimed(Aiming.Way way);

        R reference(PaletteId palette);

        R released();

        R moved(Use use, Optional<AttributeValue> over);
    }

    /** The same in another form. */
    <R> R as(Cases<R> cases);

    /** A share of the parameter's usual function: of its light, or else of its range. */
    record Level(Fraction fraction) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            return Optional.of(FunctionValue.of(parameter.function(), fraction));
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.level(fraction.value());
        }
    }

    /** A value in the attribute's physical unit; beyond the fixture's reach it stops at the end. */
    record Physical(double value) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            ChannelFunction function = mode.functionReaching(parameter, value);
            return Optional.of(new FunctionValue(function, function.fractionOf(value)));
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.physical(value);
        }
    }

    /** A named range, met in its middle. */
    record Named(String name) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            ChannelFunction function = mode.functionWith(parameter, name);
            return function.range(name).map(r -> new FunctionValue(function, function.fractionOfDmx(r.middle())));
        }

        @Override
        public boolean fits(Mode mode, Parameter parameter) {
            return mode.functionWith(parameter, name).range(name).isPresent();
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.named(name);
        }
    }

    /**
     * What the channel sends, whatever function that falls in. On a channel of more octets than the value has, those it
     * has are the coarse ones and are repeated.
     */
    record Dmx(DmxValue value) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            Channel channel = mode.channelOf(parameter);
            long sent = value.in(channel.resolution());
            ChannelFunction function = channel.functionAt(
                    sent, f -> f.equals(parameter.function()) || f.attribute().equals(parameter.attribute()));
            return Optional.of(new FunctionValue(function, function.fractionOfDmx(sent)));
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.dmx(value);
        }
    }

    /** On the way it was chosen to go to the point that its palette stands at; stands where pan would. */
    record Aimed(Aiming.Way way) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            return Optional.empty();
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.aimed(way);
        }
    }

    /** Whatever the palette says, now and later. */
    record Reference(PaletteId palette) implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
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

    /** Left to whatever lies below, though a palette that is followed says something. */
    record Released() implements AttributeValue {
        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            return Optional.empty();
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.released();
        }
    }

    /**
     * Moved by an effect, now and later.
     *
     * @param over what it was set to before: an effect that moves around what is there moves around it
     */
    record Moved(Use use, Optional<AttributeValue> over) implements AttributeValue {

        public Moved {
            over = over.flatMap(Moved::standing);
        }

        private static Optional<AttributeValue> standing(AttributeValue value) {
            return value instanceof Moved m
                    ? m.over
                    : value instanceof Released ? Optional.empty() : Optional.of(value);
        }

        @Override
        public Optional<FunctionValue> in(Mode mode, Parameter parameter) {
            return over.flatMap(o -> o.in(mode, parameter));
        }

        @Override
        public Optional<PaletteId> followed() {
            return over.flatMap(AttributeValue::followed);
        }

        @Override
        public Optional<Use> moved() {
            return Optional.of(use);
        }

        @Override
        public <R> R as(Cases<R> cases) {
            return cases.moved(use, over);
        }
    }

    static AttributeValue level(double fraction) {
        return new Level(Fraction.clamp(fraction));
    }

    /** What a channel sends, word for word. @param value in the channel's resolution */
    static AttributeValue sent(Channel channel, long value) {
        return new Dmx(new DmxValue(value, channel.resolution().octets(), false));
    }

    /** Where a parameter stands when nobody has said anything. */
    static AttributeValue home(Mode mode, Parameter parameter) {
        Channel channel = mode.channelOf(parameter);
        ChannelFunction function = channel.homeFunction();
        return of(mode, parameter, new FunctionValue(function, function.fractionOfDmx(channel.home())));
    }

    /** A place of a parameter as a value: a share of its usual function, or else what is sent. */
    static AttributeValue of(Mode mode, Parameter parameter, FunctionValue place) {
        return place.function().equals(parameter.function())
                ? new Level(place.share())
                : sent(mode.channelOf(parameter), place.dmx());
    }
}
