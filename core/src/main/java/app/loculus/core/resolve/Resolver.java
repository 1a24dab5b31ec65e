package app.loculus.core.resolve;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.motion.Motions;
import app.loculus.core.motion.Move;
import app.loculus.core.motion.Moving;
import app.loculus.core.palette.Given;
import app.loculus.core.palette.Giver;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Resolves fixtures of one scene. Safe to share between threads. */
public final class Resolver {

    private final Scene scene;
    private final List<Layer> layers;
    private final Giver giver;
    private final Motions motions;
    private final Beats beats;
    private final boolean still;
    private final Map<Mode, List<Resolved>> homes = new ConcurrentHashMap<>();

    public Resolver(Scene scene) {
        this(scene, new Giver(scene.patch(), scene.shelf(), scene.answers()), null, false);
    }

    private Resolver(Scene scene, Giver giver, Motions before, boolean still) {
        this.still = still;
        this.scene = scene;
        this.layers = counting(scene.layers());
        this.giver = giver;
        this.motions = before == null
                ? new Motions(scene.patch(), scene.shelf(), giver)
                : before.on(scene.patch(), scene.shelf(), giver);
        this.beats = scene.beats();
    }

    /** Another moment, with what of this one still holds. */
    public Resolver on(Scene other) {
        return new Resolver(other, giver.on(other.patch(), other.shelf()), motions, still);
    }

    /** The same as if no effect moved working values: what moves around a value stands at it. */
    public Resolver still() {
        return new Resolver(scene, giver, motions, true);
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
                place(unit, held, mode, parameter, channels.get(parameter.channel()))
                        .filter(p -> layer.merge() == Layer.Merge.COMMAND || mode.keeps(p))
                        .map(p -> new Resolved(p.function(), p.fraction(), held.source(), layer.owner()))
                        .filter(r -> counts(r, channels.get(parameter.channel()), attribute, layer.merge()))
                        .ifPresent(r -> channels.set(parameter.channel(), r));
            }
        });
    }

    private Optional<FunctionValue> place(UnitId unit, Held held, Mode mode, Parameter parameter, Resolved below) {
        Optional<FunctionValue> said = held.value().in(mode, parameter);
        Optional<FunctionValue> place =
                held.value() instanceof AttributeValue.Dmx ? said.map(p -> meant(unit, p)) : said;
        return held.moving()
                .map(m -> m.at(place.orElseGet(below::place), beats, 0))
                .or(() -> place);
    }

    /** What is said in octets goes out as said: a head that turns what it receives over is meant to be on the other side. */
    private FunctionValue meant(UnitId unit, FunctionValue sent) {
        Inverted inverted = scene.patch().get(unit.fixture()).inverted();
        return inverted.turns(sent.function().attribute())
                ? new FunctionValue(
                        sent.function(), sent.function().fractionOfDmx(inverted.turned(sent.function(), sent.dmx())))
                : sent;
    }

    /**
     * A unit's values as they count now. It refers to palettes, and not to the attributes that those happened to give it
     * when they were applied: what a palette gives today counts, except where something else was set since.
     */
    public Map<Attribute, Held> held(UnitId unit, UnitValues values) {
        Map<Attribute, Held> held = new LinkedHashMap<>();
        values.followed().forEach(palette -> follow(unit, values, palette, held));
        values.byAttribute().forEach((attribute, touched) -> {
            if (touched.value().followed().isEmpty() && stands(touched.value())) {
                if (!held.isEmpty()) {
                    alone(unit, attribute, held);
                }
                if (!(touched.value() instanceof AttributeValue.Released)) {
                    held.put(
                            attribute,
                            new Held(plain(touched.value()), Optional.empty(), touched.touched(), touched.companion()));
                }
            }
        });
        if (!still && values.moves()) {
            values.moved().forEach(use -> move(unit, values, use, held));
        }
        return held;
    }

    private static AttributeValue plain(AttributeValue value) {
        return value instanceof AttributeValue.Moved m ? m.over().orElse(value) : value;
    }

    /** Whether it says where something is: what moves relative to what lies below does not. */
    private static boolean stands(AttributeValue value) {
        return !(value instanceof AttributeValue.Moved m) || m.over().isPresent();
    }

    /** It refers to the effect, and not to the attributes that this happened to move when it was set. */
    private void move(UnitId unit, UnitValues values, Use use, Map<Attribute, Held> held) {
        Effect effect = motions.effect(use.effect()).orElse(null);
        if (effect == null) {
            return;
        }
        Mode mode = scene.patch().modeOf(scene.patch().get(unit.fixture()));
        motions.of(effect, unit).forEach((attribute, move) -> {
            Optional<Touched> said = values.get(attribute);
            Optional<Use> in = said.map(Touched::value).flatMap(AttributeValue::moved);
            boolean its = said.isEmpty()
                    || in.filter(u -> u.effect().equals(use.effect())).isPresent();
            // Where there are commands it would pass through them.
            if (its && !mode.commands().contains(attribute)) {
                Held base = held.get(attribute);
                alone(unit, attribute, held);
                Moving moving = new Moving(effect, in.orElse(use), attribute, move);
                held.put(
                        attribute,
                        base == null
                                ? new Held(
                                        new AttributeValue.Moved(moving.use(), Optional.empty()),
                                        Optional.empty(),
                                        true,
                                        false,
                                        Optional.of(moving))
                                : new Held(
                                        base.value(),
                                        base.from(),
                                        base.touched(),
                                        base.companion(),
                                        Optional.of(moving)));
            }
        });
    }

    private void follow(UnitId unit, UnitValues values, PaletteId id, Map<Attribute, Held> held) {
        Palette palette = scene.palettes().get(id);
        if (palette == null) {
            return;
        }
        Given given = giver.give(palette, unit);
        given.values().forEach((attribute, value) -> {
            Optional<PaletteId> said = values.get(attribute).map(Touched::value).flatMap(AttributeValue::followed);
            if (said.equals(Optional.of(id))
                    || values.get(attribute).isEmpty() && !setOtherwise(unit, values, attribute, id)) {
                boolean companion = given.companions().contains(attribute);
                held.put(attribute, new Held(value, Optional.of(id), true, companion));
            }
        });
    }

    /** Whether the channel of an attribute is set by something else, that shares it. */
    private boolean setOtherwise(UnitId unit, UnitValues values, Attribute attribute, PaletteId id) {
        Mode mode = scene.patch().modeOf(scene.patch().get(unit.fixture()));
        for (Attribute other : mode.sharing(unit.cell(), attribute)) {
            Optional<Touched> touched = values.get(other);
            if (touched.isPresent()
                    && !touched.get().value().followed().equals(Optional.of(id))
                    && !(touched.get().value() instanceof AttributeValue.Released)) {
                return true;
            }
        }
        return false;
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
                int home = cell;
                mode.parameter(cell, attribute)
                        .ifPresent(parameter -> value.in(mode, parameter).ifPresent(place -> {
                            mode.masters(home, place.function(), channel -> sent(channels, channel))
                                    .forEach((channel, dmx) -> shown(mode, channel, dmx, layer, channels));
                            channels.set(
                                    parameter.channel(),
                                    new Resolved(
                                            place.function(), place.fraction(), new Source.Highlight(), layer.owner()));
                        }));
            }
        }
    }

    private static long sent(List<Resolved> channels, int channel) {
        return channels.get(channel).place().dmx();
    }

    /** Moves a mode channel to where something that is shown off works; one that is there stays as it is. */
    private static void shown(Mode mode, int channel, long dmx, Layer layer, List<Resolved> channels) {
        if (sent(channels, channel) != dmx) {
            ChannelFunction function = mode.channels().get(channel).functionAt(dmx, f -> true);
            channels.set(
                    channel,
                    new Resolved(function, function.fractionOfDmx(dmx), new Source.Highlight(), layer.owner()));
        }
    }

    /** Shows cells of a fixture off in a colour, each as well as it can. */
    void show(
            Mode mode,
            FixtureId fixture,
            Set<Integer> shown,
            Chromaticity colour,
            Layer layer,
            List<Resolved> channels) {
        for (int cell = 0; cell <= mode.cells(); cell++) {
            UnitId unit = new UnitId(fixture, cell);
            if (mode.layout().outwards(cell).stream().anyMatch(shown::contains)) {
                giver.answer(mode, cell, colour).ifPresent(answer -> {
                    answer.closings().forEach((a, v) -> show(mode, unit, a, v, layer, channels));
                    answer.values().forEach((a, v) -> show(mode, unit, a, v, layer, channels));
                });
            }
        }
    }

    private static boolean counts(Resolved above, Resolved below, Attribute attribute, Layer.Merge merge) {
        return merge != Layer.Merge.HIGHEST
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

    public Motions motions() {
        return motions;
    }

    /** Whether an effect moves the attribute relative to what lies below, so that a value there is moved around. */
    public boolean rides(UnitId unit, Attribute attribute, Use use) {
        return motions.effect(use.effect())
                .map(e -> motions.of(e, unit).get(attribute))
                .filter(Move::relative)
                .isPresent();
    }
}
