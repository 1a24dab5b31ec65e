package app.loculus.core.value;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.AdditiveSystem;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ColourSystems;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.LampLight;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.WheelSystem;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntToLongFunction;

/**
 * What light a cell gives at what its channels send, before its dimmer: after rounding to slots, with mode channels
 * where they stand. What does not work in the present mode gives nothing.
 */
public final class ShownColour {

    private static final Tristimulus OPEN = Chromaticity.D65.withLuminance(100);

    private final Mode mode;
    private final int cell;
    private final IntToLongFunction sent;

    /** @param sent what a channel sends, in its resolution, by its index in the mode */
    public ShownColour(Mode mode, int cell, IntToLongFunction sent) {
        this.mode = mode;
        this.cell = cell;
        this.sent = sent;
    }

    /** Empty when the cell has no means of making a colour; dark when it gives none as it stands. */
    public Optional<Tristimulus> light() {
        ColourSystems systems = mode.colours(cell);
        if (systems.none()) {
            return Optional.empty();
        }
        Tristimulus light = systems.additive().isEmpty()
                ? systems.subtractive()
                        .map(mixer -> mixer.light(
                                ColourAnswers.flags().stream().map(this::level).toList()))
                        .orElse(mode.lamp())
                : emitted(systems.additive());
        for (WheelSystem wheel : systems.wheels()) {
            light = throughWheel(wheel, light);
        }
        return Optional.of(light);
    }

    private Tristimulus emitted(List<AdditiveSystem> systems) {
        Set<Attribute> emitters = new LinkedHashSet<>();
        systems.forEach(s -> emitters.addAll(s.attributes()));
        Map<Attribute, Tristimulus> full = mode.emitters();
        Tristimulus sum = Tristimulus.DARK;
        for (Attribute emitter : emitters) {
            sum = sum.plus(full.getOrDefault(emitter, Tristimulus.DARK).times(level(emitter)));
        }
        return sum;
    }

    /** Light of an emitter or share of a flag, 0 where its function does not work as it stands. */
    private double level(Attribute attribute) {
        Parameter parameter = parameter(attribute);
        return working(parameter)
                .map(f -> new FunctionValue(f, f.fractionOfDmx(sent.applyAsLong(parameter.channel()))).light())
                .orElse(0.0);
    }

    private Optional<ChannelFunction> working(Parameter parameter) {
        long dmx = sent.applyAsLong(parameter.channel());
        ChannelFunction function = mode.working(parameter.channel(), dmx, sent);
        return Optional.of(function)
                .filter(f -> f.attribute().equals(parameter.attribute()) && mode.works(cell, f, sent));
    }

    private Tristimulus throughWheel(WheelSystem wheel, Tristimulus light) {
        long dmx = sent.applyAsLong(parameter(wheel.attribute()).channel());
        int slot = wheel.function().ranges().stream()
                .filter(r -> dmx >= r.from() && dmx <= r.to())
                .findFirst()
                .map(r -> r.wheelSlot())
                .orElse(0);
        Tristimulus lamp = mode.lamp();
        return wheel.slots().stream()
                .filter(s -> s.number() == slot)
                .findFirst()
                .map(s -> new Tristimulus(
                        s.light().x() / lamp.x() * OPEN.x(),
                        s.light().y() / lamp.y() * OPEN.y(),
                        s.light().z() / lamp.z() * OPEN.z()))
                .map(filter -> LampLight.through(light, filter))
                .orElse(light);
    }

    private Parameter parameter(Attribute attribute) {
        return mode.parameter(cell, attribute).orElseThrow();
    }
}
