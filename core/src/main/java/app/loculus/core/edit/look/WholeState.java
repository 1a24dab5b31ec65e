package app.loculus.core.edit.look;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Source;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.AttributeValue;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;

/**
 * What goes out, from whichever layer, as values: all of whoever is not at home. Whatever is played before it, it gives the
 * same again, so that it holds what stands at home too where that is seen or may be carried on otherwise: each attribute of
 * a mix, and whatever some look of the show moves on these units. A look at highlight is never part of it.
 */
final class WholeState {

    private final Show show;
    private final Resolver unlit;

    private WholeState(Show show) {
        this.show = show;
        this.unlit = show.unlit();
    }

    /** @param wanted of a unit which attributes */
    static Map<UnitId, UnitValues> of(Show show, BiPredicate<UnitId, Attribute> wanted) {
        return new WholeState(show).read(wanted, movedByLooks(show));
    }

    /** Without anything that stands at home. */
    static Map<UnitId, UnitValues> notAtHome(Show show) {
        return new WholeState(show).read((unit, attribute) -> true, null);
    }

    private static Map<UnitId, Set<Attribute>> movedByLooks(Show show) {
        Map<UnitId, Set<Attribute>> all = new HashMap<>();
        show.all(PartKinds.LOOKS)
                .values()
                .forEach(look -> look.values()
                        .forEach((unit, values) -> all.computeIfAbsent(unit, u -> new HashSet<>())
                                .addAll(values.byAttribute().keySet())));
        return all;
    }

    /** @param moved what may be elsewhere when this is recalled; null where nothing at home counts */
    private Map<UnitId, UnitValues> read(BiPredicate<UnitId, Attribute> wanted, Map<UnitId, Set<Attribute>> moved) {
        Map<UnitId, UnitValues> found = new LinkedHashMap<>();
        for (Fixture fixture : show.patch().fixtures()) {
            Mode mode = show.patch().modeOf(fixture);
            List<Resolved> channels = unlit.resolve(fixture);
            if (on(mode, channels)) {
                for (int cell = 0; cell <= mode.cells(); cell++) {
                    UnitId unit = new UnitId(fixture.id(), cell);
                    Set<Attribute> elsewhere = moved == null ? null : moved.getOrDefault(unit, Set.of());
                    Map<Attribute, Touched> kept = unit(mode, unit, channels, wanted, elsewhere);
                    if (!kept.isEmpty()) {
                        found.put(unit, new UnitValues(kept));
                    }
                }
            }
        }
        return found;
    }

    private static boolean on(Mode mode, List<Resolved> channels) {
        for (int i = 0; i < channels.size(); i++) {
            if (away(channels.get(i), mode.channels().get(i))) {
                return true;
            }
        }
        return false;
    }

    private static boolean away(Resolved r, Channel channel) {
        return !r.source().word().equals("home") && (r.source().moved().isPresent() || !r.atHome(channel));
    }

    private Map<Attribute, Touched> unit(
            Mode mode,
            UnitId unit,
            List<Resolved> channels,
            BiPredicate<UnitId, Attribute> wanted,
            Set<Attribute> elsewhere) {
        Map<Attribute, Touched> kept = new LinkedHashMap<>();
        UnitValues own = show.programmer().of(unit);
        mode.parameters(unit.cell()).forEach((attribute, parameter) -> {
            Resolved r = channels.get(parameter.channel());
            Channel channel = mode.channels().get(parameter.channel());
            boolean counts = away(r, channel)
                    || elsewhere != null && (attribute.isMix() || mayBeElsewhere(mode, unit, parameter, elsewhere));
            if (counts
                    && mode.calledBy(parameter.channel(), r.function()).equals(attribute)
                    && wanted.test(unit, attribute)) {
                kept.put(attribute, value(mode, parameter, r, own.get(attribute)));
            }
        });
        return kept;
    }

    /** Whether something on the same channel is moved. */
    private static boolean mayBeElsewhere(Mode mode, UnitId unit, Parameter parameter, Set<Attribute> elsewhere) {
        return elsewhere.stream()
                .anyMatch(a -> mode.parameter(unit.cell(), a)
                        .filter(p -> p.channel() == parameter.channel())
                        .isPresent());
    }

    private static Touched value(Mode mode, Parameter parameter, Resolved r, Optional<Touched> own) {
        if (r.source() instanceof Source.ByEffect e) {
            return Touched.byHand(e.value());
        }
        AttributeValue value = r.source()
                .followed()
                .<AttributeValue>map(AttributeValue.Reference::new)
                .or(() -> own.map(Touched::value)
                        .filter(v ->
                                v.followed().isEmpty() && v.in(mode, parameter).equals(Optional.of(r.place()))))
                .orElseGet(() -> plain(mode, parameter, r.place()));
        return Touched.byHand(value);
    }

    /** A range by its name where it stands in the middle of one. */
    private static AttributeValue plain(Mode mode, Parameter parameter, FunctionValue place) {
        return place.function().ranges().stream()
                .filter(range -> range.middle() == place.dmx())
                .map(NamedRange::name)
                .findFirst()
                .<AttributeValue>map(AttributeValue.Named::new)
                .orElseGet(() -> AttributeValue.of(mode, parameter, place));
    }
}
