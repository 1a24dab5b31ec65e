package app.loculus.core.resolve;

import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** Resolves fixtures of one scene. Safe to share between threads. */
public final class Resolver {

    private final Scene scene;
    private final List<Layer> layers;
    private final Giver giver;
    private final Map<Mode, List<Resolved>> homes = new ConcurrentHashMap<>();

    public Resolver(Scene scene) {
        this.scene = scene;
        this.layers = counting(scene.layers());
        this.giver = new Giver(scene.patch(), scene.answers());
    }

    /** Nothing below the topmost layer that covers counts. */
    private static List<Layer> counting(List<Layer> all) {
        int first = all.size() - 1;
        while (first > 0 && !all.get(first).covers()) {
            first--;
        }
        return all.subList(Math.max(0, first), all.size());
    }

    /** One value per channel, in the order of the mode's channels. */
    public List<Resolved> resolve(Fixture fixture) {
        Mode mode = scene.patch().modeOf(fixture);
        List<Resolved> channels = new ArrayList<>(homes.computeIfAbsent(mode, Resolver::home));
        layers.forEach(layer -> layer.lay(fixture, mode, channels, this));
        return channels;
    }

    private static List<Resolved> home(Mode mode) {
        return mode.channels().stream().map(Resolved::home).toList();
    }

    /** Sets one attribute of a unit where its mode has it. */
    void set(
            Mode mode,
            UnitId unit,
            Attribute attribute,
            AttributeValue value,
            Layer.Values layer,
            List<Resolved> channels) {
        Parameter parameter = mode.parameter(unit.cell(), attribute).orElse(null);
        if (parameter == null) {
            return;
        }
        Source source = value.followed().<Source>map(Source.FromPalette::new).orElseGet(Source.ByHand::new);
        plain(unit, attribute, value).ifPresent(plain -> {
            ChannelFunction function = plain.functionOf(mode, parameter);
            plain.in(function)
                    .map(f -> new Resolved(function, f, source, layer.owner()))
                    .filter(r -> counts(r, channels.get(parameter.channel()), attribute, layer.merge()))
                    .ifPresent(r -> channels.set(parameter.channel(), r));
        });
    }

    /** Sets one attribute of a unit that is shown off, and of the cells in it. */
    void show(Mode mode, UnitId unit, Attribute attribute, AttributeValue value, Layer layer, List<Resolved> channels) {
        for (int cell = 0; cell <= mode.cells(); cell++) {
            if (mode.layout().within(cell, unit.cell())) {
                mode.parameter(cell, attribute).ifPresent(parameter -> {
                    ChannelFunction function = value.functionOf(mode, parameter);
                    value.in(function)
                            .ifPresent(f -> channels.set(
                                    parameter.channel(),
                                    new Resolved(function, f, new Source.Highlight(), layer.owner())));
                });
            }
        }
    }

    private static boolean counts(Resolved above, Resolved below, Attribute attribute, Layer.Merge merge) {
        return merge == Layer.Merge.LATEST
                || !attribute.equals(Attribute.DIMMER)
                || above.fraction().value() >= below.fraction().value();
    }

    /** The value itself, or what the palette it refers to gives this unit for the attribute. */
    public Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value) {
        if (value.followed().isEmpty()) {
            return Optional.of(value);
        }
        Palette palette = scene.palettes().get(value.followed().get());
        return palette == null
                ? Optional.empty()
                : Optional.ofNullable(giver.give(palette, unit).values().get(attribute));
    }

    public Giver giver() {
        return giver;
    }
}
