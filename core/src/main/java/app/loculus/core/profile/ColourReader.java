package app.loculus.core.profile;

import app.loculus.core.colour.Emitter;
import app.loculus.core.colour.SubtractiveMixer;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.colour.WheelMatcher;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Finds a cell's colour systems among its parameters. */
final class ColourReader {

    private static final List<Attribute> FLAGS =
            List.of(new Attribute("ColorSub_C"), new Attribute("ColorSub_M"), new Attribute("ColorSub_Y"));

    private final Map<String, Wheel> wheels;
    private final Map<Attribute, Tristimulus> emitters;
    private final Tristimulus lamp;

    ColourReader(Map<String, Wheel> wheels, Map<Attribute, Tristimulus> emitters, Tristimulus lamp) {
        this.wheels = wheels;
        this.emitters = emitters;
        this.lamp = lamp;
    }

    ColourSystems read(Map<Attribute, Parameter> parameters, List<Channel> channels) {
        return new ColourSystems(additive(parameters), subtractive(parameters), wheels(parameters, channels));
    }

    private List<AdditiveSystem> additive(Map<Attribute, Parameter> parameters) {
        Map<Optional<ModeMaster>, List<Emitter>> byMaster = new LinkedHashMap<>();
        parameters.forEach((attribute, parameter) -> {
            Tristimulus light = emitters.getOrDefault(attribute, Tristimulus.DARK);
            if (attribute.isVisibleAdditive() && light.chromaticity().isPresent()) {
                byMaster.computeIfAbsent(parameter.function().master(), m -> new ArrayList<>())
                        .add(new Emitter(attribute.name(), light));
            }
        });
        List<Emitter> always = byMaster.getOrDefault(Optional.empty(), List.of());
        if (byMaster.size() > 1) {
            byMaster.remove(Optional.<ModeMaster>empty());
            byMaster.values().forEach(system -> system.addAll(always));
        }
        return byMaster.values().stream().map(AdditiveSystem::of).toList();
    }

    private Optional<SubtractiveMixer> subtractive(Map<Attribute, Parameter> parameters) {
        return parameters.keySet().containsAll(FLAGS) ? Optional.of(new SubtractiveMixer(lamp)) : Optional.empty();
    }

    private List<WheelSystem> wheels(Map<Attribute, Parameter> parameters, List<Channel> channels) {
        return parameters.values().stream()
                .filter(p -> p.attribute().isColourWheel())
                .flatMap(p -> channels.get(p.channel()).functions().stream()
                        .filter(f -> f.attribute().equals(p.attribute()))
                        .flatMap(f -> slots(f).stream())
                        .limit(1))
                .toList();
    }

    private Optional<WheelSystem> slots(ChannelFunction function) {
        Wheel wheel = function.wheel().map(wheels::get).orElse(null);
        if (wheel == null) {
            return Optional.empty();
        }
        List<WheelMatcher.Slot> out = new ArrayList<>();
        for (int number = 1; number <= wheel.slots().size(); number++) {
            WheelSlot slot = wheel.slots().get(number - 1);
            boolean reachable = function.rangeOfSlot(number).isPresent();
            if (reachable && slot.colour().isPresent()) {
                out.add(new WheelMatcher.Slot(
                        number, slot.name(), inFrontOfLamp(slot.colour().get())));
            }
        }
        return out.isEmpty()
                ? Optional.empty()
                : Optional.of(new WheelSystem(function.attribute(), function, List.copyOf(out)));
    }

    /** A slot's colour is given under white light; the lamp shifts it in linear light. */
    private Tristimulus inFrontOfLamp(Tristimulus slot) {
        return LampLight.through(lamp, slot);
    }
}
