package app.loculus.core.programmer;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Sent;
import app.loculus.core.value.Use;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Sets working values by the rules of touching.
 *
 * <p>Touching one attribute of an additive or subtractive mix touches the whole mix at what goes out now, from whichever
 * layer. Touching an attribute that only works while a mode channel is in some range also touches that channel; one that
 * is inside stays where it is. Attributes that share a channel exclude each other. A whole fixture passes on to its
 * cells what only they have. Not for sharing between threads.
 */
public final class Touching {

    /** What goes out before anything is touched, highlight aside. */
    public interface Now {

        /** @param channel its index in the fixture's mode */
        FunctionValue at(Fixture fixture, int channel);

        /** What a reference to a palette stands for; the value itself when it is none. */
        Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value);

        /** Whether an effect moves the attribute relative to what lies below. */
        default boolean rides(UnitId unit, Attribute attribute, Use use) {
            return false;
        }
    }

    private final Patch patch;
    private final Programmer programmer;
    private final Now now;
    private final Map<UnitId, Map<Attribute, Touched>> changed = new LinkedHashMap<>();
    private final Map<UnitId, Optional<Chromaticity>> asked = new LinkedHashMap<>();
    private final Set<Place> left = new HashSet<>();

    /** A channel of a fixture, by its index. */
    private record Place(FixtureId fixture, int channel) {}

    public Touching(Patch patch, Programmer programmer, Now now) {
        this.patch = patch;
        this.programmer = programmer;
        this.now = now;
    }

    /** What has been set so far, by unit; what only came along with something that has gone is gone as well. */
    public Map<UnitId, UnitValues> changed() {
        Map<UnitId, UnitValues> all = new LinkedHashMap<>();
        for (UnitId unit : changed.keySet()) {
            // Where modes hang on one another another cell may hold what came along.
            if (modeOf(unit).mastered()) {
                withCells(patch, UnitId.whole(unit.fixture())).forEach(u -> all.computeIfAbsent(u, this::now));
            } else {
                all.put(unit, now(unit));
            }
        }
        Map<UnitId, UnitValues> needed = new Companions(patch, now).needed(all);
        Map<UnitId, UnitValues> out = new LinkedHashMap<>();
        // What thousands are set to alike is there once: it takes less room and is known again at a glance.
        Map<UnitValues, UnitValues> once = new HashMap<>();
        all.keySet().forEach(unit -> {
            UnitValues values = needed.getOrDefault(unit, UnitValues.NONE);
            if (changed.containsKey(unit) || !values.equals(programmer.of(unit))) {
                out.put(unit, once.computeIfAbsent(values, v -> v));
            }
        });
        return out;
    }

    private UnitValues now(UnitId unit) {
        Map<Attribute, Touched> values = changed.get(unit);
        UnitValues before = programmer.of(unit);
        return values == null ? before : new UnitValues(values, asked.getOrDefault(unit, before.asked()));
    }

    /** The unit itself or, for a whole fixture, whichever of its cells have the attribute; empty if none has. */
    public List<UnitId> homesOf(UnitId unit, Attribute attribute) {
        return modeOf(unit).homesOf(unit.cell(), attribute).stream()
                .map(cell -> new UnitId(unit.fixture(), cell))
                .toList();
    }

    /** Sets one attribute by hand. @return whether the unit has it and the value fits */
    public boolean set(UnitId unit, Attribute attribute, AttributeValue value) {
        boolean any = false;
        for (UnitId home : homesOf(unit, attribute)) {
            Parameter parameter = modeOf(home).parameter(home.cell(), attribute).orElseThrow();
            if (value.fits(modeOf(home), parameter)) {
                if (attribute.isMix()) {
                    touchMix(home, attribute, Set.of());
                }
                if (attribute.makesColour()) {
                    asked.put(home, Optional.empty());
                }
                put(
                        home,
                        parameter,
                        riding(
                                home,
                                attribute,
                                Touched.byHand(value).after(values(home).get(attribute))));
                companions(home, parameter, value);
                any = true;
            }
        }
        return any;
    }

    /** Leaves a mode channel to what is set on it: nothing that needs it otherwise moves it. */
    public void leave(FixtureId fixture, int channel) {
        left.add(new Place(fixture, channel));
    }

    /**
     * Sets attributes that were worked out together, without touching the rest of their mix.
     *
     * @param along those of the values that only come along
     * @param colour the colour that is asked for with them, if it is one
     */
    public void setTogether(
            UnitId unit,
            Map<Attribute, ? extends AttributeValue> values,
            Set<Attribute> along,
            Optional<Chromaticity> colour) {
        Mode mode = modeOf(unit);
        Fixture fixture = patch.get(unit.fixture());
        if (values.keySet().stream().anyMatch(Attribute::makesColour)) {
            asked.put(unit, colour);
        }
        values.forEach((attribute, value) -> mode.parameter(unit.cell(), attribute)
                .ifPresent(p -> {
                    Touched touched = along.contains(attribute) ? Touched.along(value) : Touched.byHand(value);
                    put(
                            unit,
                            p,
                            riding(unit, attribute, touched.after(values(unit).get(attribute))));
                }));
        if (mode.mastered()) {
            mastersOf(unit, fixture, mode, values);
        }
    }

    /**
     * Lets an effect move an attribute; what it was set to stays as what it moves around, if it does.
     *
     * @param goes a place that it moves through, for the modes that it needs; empty when that goes by what lies below
     * @param with attributes that it moves beside this one; of a mix the others are touched where they are
     */
    public void move(UnitId unit, Attribute attribute, Use use, Optional<FunctionValue> goes, Set<Attribute> with) {
        Mode mode = modeOf(unit);
        Parameter parameter = mode.parameter(unit.cell(), attribute).orElseThrow();
        if (attribute.isMix()) {
            touchMix(unit, attribute, with);
        }
        Touched before = values(unit).get(attribute);
        // Also where it moves between two places of its own: it is given back when the effect ends.
        Optional<AttributeValue> over = Optional.ofNullable(before).map(Touched::value);
        Touched moved = Touched.byHand(new AttributeValue.Moved(use, over));
        values(unit).keySet().removeAll(mode.sharing(unit.cell(), attribute));
        values(unit).put(attribute, moved);
        goes.filter(place -> place.function().master().isPresent()).ifPresent(place -> {
            Fixture fixture = patch.get(unit.fixture());
            mode.masters(unit.cell(), place.function(), channel -> sentNow(fixture, mode, channel))
                    .forEach((channel, dmx) -> along(fixture, mode, channel, dmx));
        });
    }

    /** Ends effects on what the unit and the cells in it are set to. @return whether any of these moved something */
    public boolean still(UnitId unit, Predicate<EffectId> which) {
        boolean any = false;
        for (UnitId home : withCells(patch, unit)) {
            Map<Attribute, Touched> left = new LinkedHashMap<>();
            programmer.of(home).byAttribute().forEach((attribute, touched) -> {
                if (touched.value() instanceof AttributeValue.Moved m
                        && which.test(m.use().effect())) {
                    m.over()
                            .ifPresent(
                                    o -> left.put(attribute, new Touched(o, touched.touched(), touched.companion())));
                } else {
                    left.put(attribute, touched);
                }
            });
            if (!left.equals(programmer.of(home).byAttribute())) {
                changed.put(home, left);
                any = true;
            }
        }
        return any;
    }

    /** Touches the mode channels of what was set together, as far as those are not among it. */
    private void mastersOf(UnitId unit, Fixture fixture, Mode mode, Map<Attribute, ? extends AttributeValue> values) {
        Sent sent = new Sent(mode, unit.cell(), channel -> sentNow(fixture, mode, channel));
        Set<Integer> said = new HashSet<>();
        values.forEach((attribute, value) -> {
            now.plain(unit, attribute, value).ifPresent(plain -> sent.set(attribute, plain));
            mode.parameter(unit.cell(), attribute).ifPresent(p -> said.add(p.channel()));
        });
        sent.masters().forEach((channel, dmx) -> {
            if (!said.contains(channel) && !left.contains(new Place(fixture.id(), channel))) {
                along(fixture, mode, channel, dmx);
            }
        });
    }

    /**
     * Leaves attributes to whatever lies below; of a mix all of it, since it counts as one.
     *
     * @param which of the unit and of the cells in it
     * @return whether anything of these was held
     */
    public boolean release(UnitId unit, Predicate<Attribute> which) {
        boolean any = false;
        for (UnitId home : withCells(patch, unit)) {
            Map<Attribute, Touched> values = programmer.of(home).byAttribute();
            boolean mix = values.keySet().stream().anyMatch(a -> a.isMix() && which.test(a));
            Map<Attribute, Touched> left = new LinkedHashMap<>();
            values.forEach((attribute, value) -> {
                boolean goes = which.test(attribute) || mix && attribute.isMix();
                if (!goes) {
                    left.put(attribute, value);
                } else if (value.value().followed().isPresent()) {
                    left.put(attribute, new Touched(new AttributeValue.Released(), false, false));
                }
            });
            if (!left.equals(values)) {
                boolean follows = left.values().stream()
                        .anyMatch(t -> t.value().followed().isPresent());
                left.values().removeIf(t -> !follows && t.value() instanceof AttributeValue.Released);
                changed.put(home, left);
                any = true;
            }
        }
        return any;
    }

    /** Sends the attributes that are meant to home, and touches them. */
    public boolean home(UnitId unit, Predicate<Attribute> which) {
        boolean any = false;
        Mode mode = modeOf(unit);
        Set<Integer> along = new LinkedHashSet<>();
        for (int i = 0; i < mode.channels().size(); i++) {
            Channel channel = mode.channels().get(i);
            Attribute attribute = mode.calledBy(i, channel.home());
            if (which.test(attribute) && mode.layout().within(channel.cell(), unit.cell())) {
                channel.functions().stream()
                        .filter(f -> f.attribute().equals(attribute))
                        .forEach(f -> Companions.mastersOf(mode, channel.cell(), f, along));
                UnitId home = new UnitId(unit.fixture(), channel.cell());
                Parameter parameter = mode.parameter(channel.cell(), attribute).orElseThrow();
                put(home, parameter, Touched.byHand(AttributeValue.home(mode, parameter)));
                if (attribute.makesColour()) {
                    asked.put(home, Optional.empty());
                }
                any = true;
            }
        }
        along.forEach(channel -> homeAlong(unit, mode, channel));
        return any;
    }

    /** A mode channel goes home with what needs it, unless it was set by hand. */
    private void homeAlong(UnitId unit, Mode mode, int index) {
        Channel channel = mode.channels().get(index);
        UnitId home = new UnitId(unit.fixture(), channel.cell());
        boolean byHand = values(home).entrySet().stream()
                .anyMatch(e -> !e.getValue().companion()
                        && mode.parameter(home.cell(), e.getKey())
                                .filter(p -> p.channel() == index)
                                .isPresent());
        if (!byHand) {
            Parameter parameter = mode.parameter(channel.cell(), mode.calledBy(index, channel.home()))
                    .orElseThrow();
            put(home, parameter, Touched.along(AttributeValue.home(mode, parameter)));
        }
    }

    /** @param without those that are set otherwise; what an effect moves goes on moving */
    private void touchMix(UnitId unit, Attribute touched, Set<Attribute> without) {
        Mode mode = modeOf(unit);
        Fixture fixture = patch.get(unit.fixture());
        for (Parameter parameter : mode.parameters(unit.cell()).values()) {
            Attribute other = parameter.attribute();
            boolean moves = Optional.ofNullable(values(unit).get(other))
                    .flatMap(t -> t.value().moved())
                    .isPresent();
            if (sameMix(other, touched) && !other.equals(touched) && !without.contains(other) && !moves) {
                AttributeValue current =
                        AttributeValue.of(mode, parameter, placeNow(fixture, mode, parameter.channel()));
                put(unit, parameter, Touched.byHand(current).after(values(unit).get(other)));
            }
        }
    }

    private static boolean sameMix(Attribute one, Attribute other) {
        return one.isVisibleAdditive() && other.isVisibleAdditive() || one.isSubtractive() && other.isSubtractive();
    }

    private void companions(UnitId unit, Parameter parameter, AttributeValue value) {
        Mode mode = modeOf(unit);
        Fixture fixture = patch.get(unit.fixture());
        now.plain(unit, parameter.attribute(), value)
                .flatMap(v -> v.in(mode, parameter))
                .filter(place -> place.function().master().isPresent())
                .ifPresent(
                        place -> mode.masters(unit.cell(), place.function(), channel -> sentNow(fixture, mode, channel))
                                .forEach((channel, dmx) -> along(fixture, mode, channel, dmx)));
    }

    /** Touches a mode channel; one that is held at that value already stays as it is held. */
    private void along(Fixture fixture, Mode mode, int channel, long dmx) {
        UnitId home = new UnitId(fixture.id(), mode.channels().get(channel).cell());
        boolean held = held(home, mode, channel).isPresent() && sentNow(fixture, mode, channel) == dmx;
        if (!held) {
            Parameter parameter =
                    mode.parameter(home.cell(), mode.calledBy(channel, dmx)).orElseThrow();
            put(
                    home,
                    parameter,
                    Touched.along(AttributeValue.sent(mode.channels().get(channel), dmx)));
        }
    }

    private long sentNow(Fixture fixture, Mode mode, int channel) {
        return placeNow(fixture, mode, channel).dmx();
    }

    /** As it was set here, else as it goes out. */
    private FunctionValue placeNow(Fixture fixture, Mode mode, int channel) {
        UnitId home = new UnitId(fixture.id(), mode.channels().get(channel).cell());
        return changed.containsKey(home)
                ? held(home, mode, channel).orElseGet(() -> now.at(fixture, channel))
                : now.at(fixture, channel);
    }

    /** Where a unit's values put a channel. */
    private Optional<FunctionValue> held(UnitId home, Mode mode, int channel) {
        Map<Attribute, Touched> values = values(home);
        return mode.channels().get(channel).functions().stream()
                .map(ChannelFunction::attribute)
                .distinct()
                .filter(values::containsKey)
                .flatMap(a -> mode.parameter(home.cell(), a).stream())
                .filter(p -> p.channel() == channel)
                .flatMap(p -> now
                        .plain(home, p.attribute(), values.get(p.attribute()).value())
                        .stream()
                        .flatMap(v -> v.in(mode, p).stream()))
                .findFirst();
    }

    /** What moves around what is there goes on around what is set. */
    private Touched riding(UnitId unit, Attribute attribute, Touched value) {
        Touched before = values(unit).get(attribute);
        return before != null
                        && before.value() instanceof AttributeValue.Moved m
                        && !(value.value() instanceof AttributeValue.Released)
                        && now.rides(unit, attribute, m.use())
                ? new Touched(
                        new AttributeValue.Moved(m.use(), Optional.of(value.value())),
                        value.touched(),
                        value.companion(),
                        value.was())
                : value;
    }

    private void put(UnitId unit, Parameter parameter, Touched value) {
        Map<Attribute, Touched> values = values(unit);
        values.keySet().removeAll(modeOf(unit).sharing(unit.cell(), parameter.attribute()));
        values.put(parameter.attribute(), value);
    }

    private Map<Attribute, Touched> values(UnitId unit) {
        return changed.computeIfAbsent(
                unit, u -> new LinkedHashMap<>(programmer.of(u).byAttribute()));
    }

    private Mode modeOf(UnitId unit) {
        Fixture fixture = patch.get(unit.fixture());
        return patch.modeOf(fixture);
    }

    /** The unit together with all the cells inside it. */
    public static List<UnitId> withCells(Patch patch, UnitId unit) {
        Cells layout = patch.modeOf(patch.get(unit.fixture())).layout();
        List<UnitId> all = new ArrayList<>(List.of(unit));
        for (int cell = 1; cell <= layout.count(); cell++) {
            if (cell != unit.cell() && layout.within(cell, unit.cell())) {
                all.add(new UnitId(unit.fixture(), cell));
            }
        }
        return all;
    }
}
