package app.loculus.core.resolve;

import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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
        this(scene, new Giver(scene.patch(), scene.shelf(), scene.answers()));
    }

    private Resolver(Scene scene, Giver giver) {
        this.scene = scene;
        this.layers = counting(scene.layers());
        this.giver = giver;
    }

    /** Another moment, with what of this one still holds. */
    public Resolver on(Scene other) {
        return new Resolver(other, giver.on(other.patch(), other.shelf()));
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

    /** Lays a unit's values over its channels. */
    void lay(Mode mode, UnitId unit, UnitValues values, Layer.Values layer, List<Resolved> channels) {
        held(unit, values).forEach((attribute, held) -> {
            Parameter parameter = mode.parameter(unit.cell(), attribute).orElse(null);
            if (parameter != null) {
                held.value()
                        .in(mode, parameter)
                        .map(p -> new Resolved(p.function(), p.fraction(), held.source(), layer.owner()))
                        .filter(r -> counts(r, channels.get(parameter.channel()), attribute, layer.merge()))
                        .ifPresent(r -> channels.set(parameter.channel(), r));
            }
        });
    }

    /**
     * A unit's values as they count now. It refers to palettes, and not to the attributes that those happened to give it
     * when they were applied: what a palette gives today counts, except where something else was set since.
     */
    public Map<Attribute, Held> held(UnitId unit, UnitValues values) {
        Map<Attribute, Held> held = new LinkedHashMap<>();
        values.followed().forEach(palette -> follow(unit, values, palette, held));
        values.byAttribute().forEach((attribute, touched) -> {
            if (touched.value().followed().isEmpty()) {
                if (!held.isEmpty()) {
                    alone(unit, attribute, held);
                }
                if (!(touched.value() instanceof AttributeValue.Released)) {
                    held.put(
                            attribute,
                            new Held(touched.value(), Optional.empty(), touched.touched(), touched.companion()));
                }
            }
        });
        return held;
    }

    private void follow(UnitId unit, UnitValues values, PaletteId id, Map<Attribute, Held> held) {
        Palette palette = scene.palettes().get(id);
        if (palette == null) {
            return;
        }
        Given given = giver.give(palette, unit);
        given.values().forEach((attribute, value) -> {
            Optional<PaletteId> said = values.get(attribute).map(Touched::value).flatMap(AttributeValue::followed);
            if (values.get(attribute).isEmpty() || said.equals(Optional.of(id))) {
                boolean companion = given.companions().contains(attribute);
                held.put(attribute, new Held(value, Optional.of(id), true, companion));
            }
        });
    }

    /** What is set on a channel takes the place of whatever palettes give on it. */
    private void alone(UnitId unit, Attribute attribute, Map<Attribute, Held> held) {
        Mode mode = scene.patch().modeOf(scene.patch().get(unit.fixture()));
        mode.parameter(unit.cell(), attribute)
                .ifPresent(p -> mode.channelOf(p).functions().forEach(f -> {
                    if (mode.parameter(unit.cell(), f.attribute())
                            .filter(o -> o.channel() == p.channel())
                            .isPresent()) {
                        held.remove(f.attribute());
                    }
                }));
    }

    /** Sets one attribute of a unit that is shown off, and of the cells in it. */
    void show(Mode mode, UnitId unit, Attribute attribute, AttributeValue value, Layer layer, List<Resolved> channels) {
        for (int cell = 0; cell <= mode.cells(); cell++) {
            if (mode.layout().within(cell, unit.cell())) {
                mode.parameter(cell, attribute).ifPresent(parameter -> {
                    value.in(mode, parameter)
                            .ifPresent(p -> channels.set(
                                    parameter.channel(),
                                    new Resolved(p.function(), p.fraction(), new Source.Highlight(), layer.owner())));
                });
            }
        }
    }

    private static boolean counts(Resolved above, Resolved below, Attribute attribute, Layer.Merge merge) {
        return merge == Layer.Merge.LATEST
                || !attribute.equals(Attribute.DIMMER)
                || above.place().light() >= below.place().light();
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
