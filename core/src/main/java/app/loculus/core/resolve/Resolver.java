package app.loculus.core.resolve;

import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touched;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Resolves fixtures of one scene. Safe to share between threads. */
public final class Resolver {

    private final Scene scene;
    private final Giver giver;
    private final Set<UnitId> highlighted;
    private final Map<Mode, List<Resolved>> homes = new ConcurrentHashMap<>();

    public Resolver(Scene scene) {
        this.scene = scene;
        this.giver = new Giver(scene.patch(), scene.answers());
        this.highlighted = scene.programmer().hand().highlight()
                ? new HashSet<>(scene.programmer().hand().selection().units())
                : Set.of();
    }

    /** One value per channel, in the order of the mode's channels. */
    public List<Resolved> resolve(Fixture fixture) {
        Mode mode = scene.patch().modeOf(fixture);
        List<Resolved> channels = new ArrayList<>(homes.computeIfAbsent(mode, Resolver::home));
        for (int cell = 0; cell <= mode.cells(); cell++) {
            UnitId unit = new UnitId(fixture.id(), cell);
            for (Map.Entry<Attribute, Touched> set :
                    scene.programmer().of(unit).byAttribute().entrySet()) {
                overlay(mode, unit, set.getKey(), set.getValue().value(), channels);
            }
        }
        highlight(fixture, mode, channels);
        return channels;
    }

    private static List<Resolved> home(Mode mode) {
        return mode.channels().stream().map(Resolved::home).toList();
    }

    private void overlay(Mode mode, UnitId unit, Attribute attribute, AttributeValue value, List<Resolved> channels) {
        Parameter parameter = mode.parameter(unit.cell(), attribute).orElse(null);
        if (parameter == null) {
            return;
        }
        Source source =
                value instanceof AttributeValue.Reference r ? new Source.FromPalette(r.palette()) : new Source.ByHand();
        plain(unit, attribute, value).ifPresent(plain -> {
            ChannelFunction function = plain.functionOf(mode, parameter);
            plain.in(function).ifPresent(f -> channels.set(parameter.channel(), new Resolved(function, f, source)));
        });
    }

    /** The value itself, or what the palette it refers to gives this unit for the attribute. */
    public Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value) {
        if (!(value instanceof AttributeValue.Reference reference)) {
            return Optional.of(value);
        }
        Palette palette = scene.palettes().get(reference.palette());
        return palette == null
                ? Optional.empty()
                : Optional.ofNullable(giver.give(palette, unit).values().get(attribute));
    }

    public Giver giver() {
        return giver;
    }

    private void highlight(Fixture fixture, Mode mode, List<Resolved> channels) {
        boolean whole = highlighted.contains(UnitId.whole(fixture.id()));
        for (int i = 0; i < channels.size() && !highlighted.isEmpty(); i++) {
            Channel channel = mode.channels().get(i);
            if (channel.highlight().isPresent()
                    && (whole
                            || channel.cell() > 0 && highlighted.contains(new UnitId(fixture.id(), channel.cell())))) {
                channels.set(i, highlighted(channel, channel.highlight().getAsLong()));
            }
        }
    }

    private static Resolved highlighted(Channel channel, long dmx) {
        ChannelFunction function = channel.functions().stream()
                .filter(f -> dmx >= f.from() && dmx <= f.to())
                .findFirst()
                .orElse(channel.functions().get(0));
        return new Resolved(function, function.fractionOfDmx(dmx), new Source.Highlight());
    }
}
