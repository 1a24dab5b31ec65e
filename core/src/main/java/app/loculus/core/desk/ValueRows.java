package app.loculus.core.desk;

import app.loculus.core.colour.LinearRgb;
import app.loculus.core.effect.Effect;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.ControlCommand;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.WheelSlot;
import app.loculus.core.profile.words.Stop;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Sums up the attributes of everything selected. */
public final class ValueRows {

    private final Show show;
    /** What an effect moves is nowhere that a number could tell. */
    static final String MOVES = "moves";

    private final Map<Attribute, Tally> tallies = new LinkedHashMap<>();

    /** One attribute over all units. */
    private static final class Tally {
        private Profile profile;
        private Mode mode;
        private Parameter parameter;
        private int units;
        private double low = 1;
        private double high;
        private long lowDmx = Long.MAX_VALUE;
        private long highDmx;
        private double lowPhysical = Double.MAX_VALUE;
        private double highPhysical = -Double.MAX_VALUE;
        private boolean moving;
        /** In percent, by step: what the first unit of it has. */
        private final Map<Integer, Double> bySteps = new LinkedHashMap<>();

        private final Set<String> names = new LinkedHashSet<>();
        private final Set<String> sources = new LinkedHashSet<>();
        /** Palettes and effects that they follow; blank for those that follow none. */
        private final Set<String> leaders = new LinkedHashSet<>();

        void count(Resolved resolved, Inverted inverted, int step) {
            double value = resolved.place().share().value();
            bySteps.putIfAbsent(step, value * 100);
            long dmx = inverted.turned(resolved.function(), resolved.place().dmx());
            double physical = resolved.function().physicalOf(resolved.fraction());
            units++;
            low = Math.min(low, value);
            high = Math.max(high, value);
            lowDmx = Math.min(lowDmx, dmx);
            highDmx = Math.max(highDmx, dmx);
            lowPhysical = Math.min(lowPhysical, physical);
            highPhysical = Math.max(highPhysical, physical);
            names.add(resolved.function()
                    .rangeAt(resolved.fraction())
                    .map(NamedRange::name)
                    .orElse(""));
        }
    }

    public ValueRows(Show show) {
        this.show = show;
    }

    public List<ValueRow> rows() {
        Map<Fixture, List<Resolved>> resolved = new LinkedHashMap<>();
        List<Step> steps = show.hand().selection().steps();
        for (int i = 0; i < steps.size(); i++) {
            for (UnitId held : steps.get(i).units()) {
                for (UnitId unit : Touching.withCells(show.patch(), held)) {
                    Fixture fixture = show.patch().get(unit.fixture());
                    count(fixture, unit, resolved.computeIfAbsent(fixture, show.resolver()::resolve), i);
                }
            }
        }
        return tallies.entrySet().stream()
                .map(e -> row(e.getKey(), e.getValue(), steps.size()))
                .toList();
    }

    private void count(Fixture fixture, UnitId unit, List<Resolved> channels, int step) {
        Mode mode = show.patch().modeOf(fixture);
        for (Parameter parameter : mode.parameters(unit.cell()).values()) {
            Resolved resolved = channels.get(parameter.channel());
            if (!resolved.function().attribute().equals(parameter.attribute())) {
                continue;
            }
            Tally tally = tallies.computeIfAbsent(parameter.attribute(), a -> new Tally());
            tally.profile = show.patch().profileOf(fixture);
            tally.mode = mode;
            tally.parameter = parameter;
            tally.count(resolved, fixture.inverted(), step);
            source(resolved, tally);
        }
    }

    private void source(Resolved resolved, Tally tally) {
        tally.sources.add(resolved.from());
        tally.moving |= resolved.source().moved().isPresent();
        tally.leaders.add(resolved.source()
                .moved()
                .flatMap(u -> show.effect(u.effect()))
                .map(Effect::toString)
                .or(() -> resolved.source().followed().flatMap(show::palette).map(p -> p.number() + " " + p.name()))
                .orElse(""));
    }

    private static ValueRow row(Attribute attribute, Tally t, int steps) {
        AttributeDefinition definition = t.profile.definition(attribute);
        return new ValueRow(
                attribute.name(),
                definition.pretty(),
                definition.kind().name().toLowerCase(Locale.ROOT),
                t.units,
                t.low * 100,
                t.high * 100,
                SpreadPoints.of(t.bySteps, steps),
                t.moving ? MOVES : text(t, definition),
                t.moving ? MOVES : physical(t, definition),
                t.moving ? MOVES : range(t.lowDmx, t.highDmx, 0, ""),
                t.sources.size() == 1 ? t.sources.iterator().next() : "mixed",
                t.leaders.size() == 1 ? t.leaders.iterator().next() : "",
                ranges(t),
                Stop.of(t.mode, t.parameter).stream().map(Stop::name).toList());
    }

    private static String text(Tally t, AttributeDefinition definition) {
        String name = t.names.size() == 1 ? t.names.iterator().next() : "";
        if (!name.isEmpty()) {
            return name;
        }
        return definition.unit().equals("Angle")
                ? physical(t, definition)
                : range(t.low * 100, t.high * 100, t.low == t.high ? 1 : 0, " %");
    }

    private static String physical(Tally t, AttributeDefinition definition) {
        return range(t.lowPhysical, t.highPhysical, 1, sign(definition));
    }

    /** The sign of the unit of an attribute, as it stands behind a number. */
    static String sign(AttributeDefinition definition) {
        return switch (definition.unit()) {
            case "Angle" -> "°";
            case "Frequency" -> " Hz";
            case "Percent" -> " %";
            default -> "";
        };
    }

    private static String range(double low, double high, int places, String unit) {
        String from = Decimal.text(low, places);
        String to = Decimal.text(high, places);
        return from.equals(to) ? from + unit : from + " … " + to + unit;
    }

    private static List<ValueRow.Range> ranges(Tally t) {
        return t.mode.channelOf(t.parameter).functions().stream()
                .filter(f -> f.attribute().equals(t.parameter.attribute()))
                .flatMap(f -> f.ranges().stream()
                        .map(r -> new ValueRow.Range(
                                r.name(),
                                swatch(t, f, r),
                                picture(t, f, r),
                                t.profile.id().value(),
                                ControlCommand.is(f.attribute(), r.name()))))
                .distinct()
                .toList();
    }

    private static String picture(Tally t, ChannelFunction function, NamedRange range) {
        return slot(t, function, range)
                .flatMap(WheelSlot::picture)
                .filter(n -> t.profile.facts().pictures().names().contains(n))
                .orElse("");
    }

    private static Optional<WheelSlot> slot(Tally t, ChannelFunction function, NamedRange range) {
        return function.wheel()
                .flatMap(t.profile::wheel)
                .filter(w ->
                        range.wheelSlot() > 0 && range.wheelSlot() <= w.slots().size())
                .map(w -> w.slots().get(range.wheelSlot() - 1));
    }

    private static String swatch(Tally t, ChannelFunction function, NamedRange range) {
        return slot(t, function, range)
                .flatMap(WheelSlot::colour)
                .map(c -> LinearRgb.of(c).normalised().hex())
                .orElse("");
    }
}
