package app.loculus.core.programmer;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ModeMaster;
import app.loculus.core.profile.Parameter;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Which values only come along with others: mode channels that those do not work without, wheels that are closed beside a
 * mix. One decision for every verb that records, merges, takes out, splits or lets go: a companion is there as long as
 * something beside it needs it, whatever its kind and whichever cell its channel belongs to, and no longer.
 */
public final class Companions {

    private final Patch patch;
    private final Touching.Now now;

    /** @param now what goes out, highlight aside, and what palettes give */
    public Companions(Patch patch, Touching.Now now) {
        this.patch = patch;
        this.now = now;
    }

    /** Values without the companions that nothing among them needs; a unit that nothing is left of is gone. */
    public Map<UnitId, UnitValues> needed(Map<UnitId, UnitValues> values) {
        Set<FixtureId> companied = new HashSet<>();
        values.forEach((unit, held) -> {
            if (held.accompanied()) {
                companied.add(unit.fixture());
            }
        });
        Map<FixtureId, Set<Integer>> masters = masters(values, companied::contains);
        Map<UnitId, UnitValues> left = new LinkedHashMap<>();
        values.forEach((unit, held) -> {
            UnitValues needed = needed(unit, held, masters.getOrDefault(unit.fixture(), Set.of()));
            if (!needed.isEmpty()) {
                left.put(unit, needed);
            }
        });
        return left;
    }

    /**
     * Values with just the companions that they need, each as it stands now.
     *
     * @param set what they were chosen from, where those that they leave out may be set
     */
    public Map<UnitId, UnitValues> complete(Map<UnitId, UnitValues> values, Function<UnitId, UnitValues> set) {
        Map<UnitId, UnitValues> all = new LinkedHashMap<>(needed(values));
        masters(values, id -> true).forEach((id, channels) -> {
            Fixture fixture = patch.get(id);
            Mode mode = patch.modeOf(fixture);
            for (int channel : channels) {
                UnitId home = new UnitId(id, mode.channels().get(channel).cell());
                UnitValues own = all.getOrDefault(home, UnitValues.NONE);
                Map.Entry<Attribute, Touched> stands = on(mode, home, channel, own)
                        .map(e -> byHand(set.apply(home), e.getKey()) ? e : along(e))
                        .orElseGet(() -> stands(fixture, mode, channel, set.apply(home)));
                Map<Attribute, Touched> more = new LinkedHashMap<>(own.byAttribute());
                more.put(stands.getKey(), stands.getValue());
                all.put(home, new UnitValues(more, own.asked()));
            }
        });
        return all;
    }

    private static boolean byHand(UnitValues set, Attribute attribute) {
        return set.get(attribute).filter(t -> !t.companion()).isPresent();
    }

    private static Map.Entry<Attribute, Touched> along(Map.Entry<Attribute, Touched> stands) {
        return Map.entry(stands.getKey(), Touched.along(stands.getValue().value()));
    }

    private Map.Entry<Attribute, Touched> stands(Fixture fixture, Mode mode, int channel, UnitValues set) {
        Channel of = mode.channels().get(channel);
        UnitId home = new UnitId(fixture.id(), of.cell());
        return on(mode, home, channel, set).map(Companions::along).orElseGet(() -> {
            long dmx = now.at(fixture, channel).dmx();
            return Map.entry(mode.calledBy(channel, dmx), Touched.along(AttributeValue.sent(of, dmx)));
        });
    }

    /** What is said of a channel. */
    private static Optional<Map.Entry<Attribute, Touched>> on(Mode mode, UnitId unit, int channel, UnitValues values) {
        return values.byAttribute().entrySet().stream()
                .filter(e -> !(e.getValue().value() instanceof AttributeValue.Released))
                .filter(e -> mode.parameter(unit.cell(), e.getKey())
                        .filter(p -> p.channel() == channel)
                        .isPresent())
                .findFirst();
    }

    private UnitValues needed(UnitId unit, UnitValues held, Set<Integer> masters) {
        if (!held.accompanied()) {
            return held;
        }
        Mode mode = patch.modeOf(patch.get(unit.fixture()));
        boolean colours = held.byAttribute().entrySet().stream()
                .anyMatch(e -> !e.getValue().companion()
                        && e.getKey().makesColour()
                        && !(e.getValue().value() instanceof AttributeValue.Released));
        Map<Attribute, Touched> left = new LinkedHashMap<>();
        held.byAttribute().forEach((attribute, touched) -> {
            boolean needed = !touched.companion()
                    || colours && attribute.makesColour()
                    || mode.parameter(unit.cell(), attribute)
                            .filter(p -> masters.contains(p.channel()))
                            .isPresent();
            if (needed) {
                left.put(attribute, touched);
            } else if (touched.value().followed().isPresent()) {
                left.put(attribute, new Touched(new AttributeValue.Released(), false, false));
            }
        });
        boolean follows =
                left.values().stream().anyMatch(t -> t.value().followed().isPresent());
        left.values().removeIf(t -> !follows && t.value() instanceof AttributeValue.Released);
        return left.size() == held.byAttribute().size() && left.equals(held.byAttribute())
                ? held
                : new UnitValues(left, held.asked());
    }

    /** Mode channels that values hang on, by fixture, as indices of channels. */
    private Map<FixtureId, Set<Integer>> masters(Map<UnitId, UnitValues> values, Predicate<FixtureId> which) {
        Map<FixtureId, Set<Integer>> found = new HashMap<>();
        values.forEach((unit, held) -> {
            if (!which.test(unit.fixture())) {
                return;
            }
            Mode mode = patch.find(unit.fixture()).map(patch::modeOf).orElse(null);
            if (mode != null && mode.mastered()) {
                Set<Integer> channels = found.computeIfAbsent(unit.fixture(), f -> new LinkedHashSet<>());
                held.byAttribute().forEach((attribute, touched) -> {
                    if (!touched.companion() && !(touched.value() instanceof AttributeValue.Released)) {
                        mode.parameter(unit.cell(), attribute)
                                .ifPresent(p -> masters(mode, unit, p, touched.value(), channels));
                    }
                });
            }
        });
        return found;
    }

    private void masters(Mode mode, UnitId unit, Parameter parameter, AttributeValue value, Set<Integer> found) {
        List<ChannelFunction> hanging = mode.channelOf(parameter).functions().stream()
                .filter(f -> f.master().isPresent())
                .toList();
        if (hanging.isEmpty()) {
            return;
        }
        Optional<ChannelFunction> one = value.moved().isPresent()
                ? Optional.empty()
                : now.plain(unit, parameter.attribute(), value)
                        .flatMap(v -> v.in(mode, parameter))
                        .map(FunctionValue::function);
        // What moves may come to any of them.
        one.ifPresentOrElse(
                f -> mastersOf(mode, unit.cell(), f, found),
                () -> hanging.stream()
                        .filter(f -> f.attribute().equals(parameter.attribute()))
                        .forEach(f -> mastersOf(mode, unit.cell(), f, found)));
    }

    /** Mode channels that plain values of a cell hang on, as indices of channels. */
    public static Set<Integer> masters(Mode mode, int cell, Map<Attribute, AttributeValue> values) {
        Set<Integer> found = new LinkedHashSet<>();
        if (mode.mastered()) {
            values.forEach((attribute, value) -> mode.parameter(cell, attribute)
                    .flatMap(p -> value.in(mode, p))
                    .ifPresent(place -> mastersOf(mode, cell, place.function(), found)));
        }
        return found;
    }

    /** With those that the masters need in their turn. */
    static void mastersOf(Mode mode, int cell, ChannelFunction function, Set<Integer> found) {
        ModeMaster master = function.master().orElse(null);
        int index = master == null ? -1 : mode.masterOf(cell, master);
        if (index >= 0 && found.add(index)) {
            Channel channel = mode.channels().get(index);
            channel.functions().stream()
                    .filter(f -> f.to() >= master.from() && f.from() <= master.to())
                    .forEach(f -> mastersOf(mode, channel.cell(), f, found));
        }
    }
}
