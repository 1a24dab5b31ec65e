package app.loculus.core.carry;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Wheel;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A place on a wheel of gobos, prisms or the like, with the range that leads there; colours are no such wheel. */
record Slot(At at, Attribute attribute, NamedRange range, WheelSlot slot) {

    /** What a place of a parameter shows; empty where it is on no such slot. */
    static Optional<Slot> of(At at, FunctionValue place) {
        ChannelFunction function = place.function();
        return function.attribute().isColourWheel()
                ? Optional.empty()
                : function.rangeAt(place.fraction())
                        .flatMap(range ->
                                slot(at, function, range).map(slot -> new Slot(at, function.attribute(), range, slot)));
    }

    /** All that a unit could show. */
    static List<Slot> all(At at) {
        List<Slot> found = new ArrayList<>();
        for (Parameter p : at.mode().parameters(at.cell()).values()) {
            Channel channel = at.mode().channelOf(p);
            channel.functions().stream()
                    .filter(f -> f.attribute().equals(p.attribute())
                            && !f.attribute().isColourWheel())
                    .forEach(f -> f.ranges()
                            .forEach(range -> slot(at, f, range)
                                    .ifPresent(s -> found.add(new Slot(at, p.attribute(), range, s)))));
        }
        return found;
    }

    private static Optional<WheelSlot> slot(At at, ChannelFunction function, NamedRange range) {
        return function.wheel()
                .flatMap(at.profile()::wheel)
                .map(Wheel::slots)
                .filter(slots -> range.wheelSlot() >= 1 && range.wheelSlot() <= slots.size())
                .map(slots -> slots.get(range.wheelSlot() - 1));
    }

    String name() {
        return slot.name().isBlank() ? range.name() : slot.name();
    }

    boolean called(Slot other) {
        return name().strip().equalsIgnoreCase(other.name().strip());
    }

    /** Whether both are prisms with as many images. */
    boolean facetted(Slot other) {
        return slot.facets() > 0 && slot.facets() == other.slot.facets();
    }

    Optional<byte[]> picture() {
        return slot.picture().flatMap(p -> at.profile().facts().pictures().find(p));
    }

    /** Nothing in the beam: it stands there when nobody says anything, or is called so. */
    boolean open() {
        Parameter parameter = at.parameter(attribute).orElseThrow();
        long home = at.mode().channelOf(parameter).home();
        return home >= range.from() && home <= range.to() || name().strip().equalsIgnoreCase("open");
    }

    /** What leads there: by name, where the name leads to this very place. */
    AttributeValue value() {
        Parameter parameter = at.parameter(attribute).orElseThrow();
        AttributeValue named = new AttributeValue.Named(range.name());
        return named.in(at.mode(), parameter)
                        .filter(p -> p.dmx() == range.middle())
                        .isPresent()
                ? named
                : AttributeValue.sent(at.mode().channelOf(parameter), range.middle());
    }
}
