package app.loculus.core.programmer;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Cells;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Sets working values by the rules of touching.
 *
 * <p>Touching one attribute of an additive or subtractive mix touches the whole mix at its current values. Touching an
 * attribute that only works while a mode channel is in some range also touches that channel. Attributes that share a
 * channel exclude each other. A whole fixture passes on to its cells what only they have. Not for sharing between
 * threads.
 */
public final class Touching {

    /** Turns a palette reference into the plain value it stands for now. */
    public interface Plain {
        Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value);
    }

    private final Patch patch;
    private final Programmer programmer;
    private final Plain plain;
    private final Map<UnitId, Map<Attribute, Touched>> changed = new LinkedHashMap<>();

    public Touching(Patch patch, Programmer programmer, Plain plain) {
        this.patch = patch;
        this.programmer = programmer;
        this.plain = plain;
    }

    /** What has been set so far, by unit. */
    public Map<UnitId, UnitValues> changed() {
        Map<UnitId, UnitValues> out = new LinkedHashMap<>();
        changed.forEach((unit, values) -> out.put(unit, new UnitValues(values)));
        return out;
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
                    touchMix(home, attribute);
                }
                put(home, parameter, Touched.byHand(value));
                companions(home, parameter);
                any = true;
            }
        }
        return any;
    }

    /** Sets attributes that were worked out together, without touching the rest of their mix. */
    public void setTogether(UnitId unit, Map<Attribute, ? extends AttributeValue> values) {
        values.forEach((attribute, value) -> modeOf(unit)
                .parameter(unit.cell(), attribute)
                .ifPresent(p -> {
                    put(unit, p, Touched.byHand(value));
                    companions(unit, p);
                }));
    }

    /** Sends every attribute of a kind to home, or all of them without a kind, and touches them. */
    public boolean home(UnitId unit, Optional<Kind> kind) {
        boolean any = false;
        Profile profile = patch.profileOf(patch.get(unit.fixture()));
        List<Channel> channels = modeOf(unit).channels();
        for (int i = 0; i < channels.size(); i++) {
            Channel channel = channels.get(i);
            ChannelFunction function = channel.homeFunction();
            boolean meant = kind.isEmpty() || profile.kindOf(function.attribute()) == kind.get();
            if (meant && modeOf(unit).layout().within(channel.cell(), unit.cell())) {
                UnitId home = new UnitId(unit.fixture(), channel.cell());
                Parameter parameter = new Parameter(channel.cell(), function.attribute(), i, function);
                put(home, parameter, Touched.byHand(new AttributeValue.Level(function.fractionOfDmx(channel.home()))));
                any = true;
            }
        }
        return any;
    }

    private void touchMix(UnitId unit, Attribute touched) {
        for (Parameter parameter : modeOf(unit).parameters(unit.cell()).values()) {
            Attribute other = parameter.attribute();
            if (sameMix(other, touched) && !other.equals(touched)) {
                put(unit, parameter, new Touched(currentPlain(unit, parameter), true, false));
            }
        }
    }

    private static boolean sameMix(Attribute one, Attribute other) {
        return one.isVisibleAdditive() && other.isVisibleAdditive() || one.isSubtractive() && other.isSubtractive();
    }

    private AttributeValue currentPlain(UnitId unit, Parameter parameter) {
        return Optional.ofNullable(values(unit).get(parameter.attribute()))
                .flatMap(t -> plain.plain(unit, parameter.attribute(), t.value()))
                .orElse(new AttributeValue.Level(homeOf(unit, parameter)));
    }

    private Fraction homeOf(UnitId unit, Parameter parameter) {
        return parameter
                .function()
                .fractionOfDmx(modeOf(unit).channelOf(parameter).home());
    }

    private void companions(UnitId unit, Parameter parameter) {
        modeOf(unit).companions(parameter).forEach((master, level) -> {
            UnitId home = new UnitId(unit.fixture(), master.cell());
            if (!works(home, master, parameter)) {
                put(home, master, Touched.along(new AttributeValue.Level(level)));
            }
        });
    }

    private boolean works(UnitId home, Parameter master, Parameter follower) {
        Touched held = values(home).get(master.attribute());
        if (held == null) {
            return false;
        }
        return plain.plain(home, master.attribute(), held.value())
                .flatMap(v -> v.in(master.function()))
                .map(f -> follower.function()
                        .master()
                        .map(m -> inside(f, master, m.from(), m.to()))
                        .orElse(true))
                .orElse(false);
    }

    private static boolean inside(Fraction level, Parameter master, long from, long to) {
        return level.value() >= master.function().fractionOfDmx(from).value()
                && level.value() <= master.function().fractionOfDmx(to).value();
    }

    private void put(UnitId unit, Parameter parameter, Touched value) {
        Map<Attribute, Touched> values = values(unit);
        for (ChannelFunction other : modeOf(unit).channelOf(parameter).functions()) {
            values.remove(other.attribute());
        }
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
