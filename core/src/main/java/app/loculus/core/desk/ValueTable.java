package app.loculus.core.desk;

import app.loculus.core.dmx.Encoder;
import app.loculus.core.effect.Effect;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.profile.Parameter;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The selection, unit by unit and attribute by attribute: a window of it, since thousands may be selected.
 *
 * @param columns attributes of all that is selected, by kind
 * @param from place of the first row among all; @param all how many there are
 * @param rows in the order of the selection
 */
public record ValueTable(List<ValueColumn> columns, int from, int all, List<UnitRow> rows) {

    /**
     * What of it is looked at.
     *
     * @param touched only units with a value that would be recorded, and only such attributes
     * @param from place of the first row; @param rows at most so many
     */
    public record Window(boolean touched, int from, int rows) {}

    /** @param label as the profile that has it first calls it */
    public record ValueColumn(String attribute, String label, String kind) {}

    /**
     * One attribute of one unit.
     *
     * @param text a name, degrees or percent
     * @param physical in the unit of the attribute
     * @param source home, hand, palette or highlight
     * @param palette number and name, empty for none
     * @param touched whether it will be recorded
     * @param along why it came along, empty when it did not
     * @param slots what goes out, as {@code 1.17 = 163}; empty without an address
     */
    public record ValueCell(
            String text, String physical, String source, String palette, boolean touched, String along, String slots) {}

    /** @param cells by attribute */
    public record UnitRow(String unit, String type, Map<String, ValueCell> cells) {}

    private static final List<String> KINDS =
            List.of("intensity", "position", "colour", "beam", "shape", "control", "combined");

    public static ValueTable of(Show show, Window window) {
        List<UnitId> units = units(show).stream()
                .filter(u -> !window.touched() || !touched(show, u).isEmpty())
                .toList();
        int from = Math.max(0, Math.min(window.from(), units.size()));
        int to = Math.min(units.size(), from + Math.max(0, window.rows()));
        Map<Fixture, List<Resolved>> resolved = new LinkedHashMap<>();
        List<UnitRow> rows = units.subList(from, to).stream()
                .map(unit -> row(
                        show,
                        unit,
                        resolved.computeIfAbsent(show.patch().get(unit.fixture()), show.resolver()::resolve)))
                .toList();
        return new ValueTable(columns(show, units, window.touched()), from, units.size(), rows);
    }

    /** The selection with its cells, as far as there is something to set. */
    private static List<UnitId> units(Show show) {
        return show.hand().selection().units().stream()
                .flatMap(held -> Touching.withCells(show.patch(), held).stream())
                .filter(u -> !show.patch()
                        .modeOf(show.patch().get(u.fixture()))
                        .parameters(u.cell())
                        .isEmpty())
                .toList();
    }

    private static Set<Attribute> touched(Show show, UnitId unit) {
        UnitValues values = show.programmer().of(unit);
        if (values.isEmpty()) {
            return Set.of();
        }
        return show.resolver().held(unit, values).entrySet().stream()
                .filter(e -> e.getValue().touched())
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    private static List<ValueColumn> columns(Show show, List<UnitId> units, boolean touched) {
        Map<String, ValueColumn> columns = new LinkedHashMap<>();
        Set<List<Object>> seen = new HashSet<>();
        for (UnitId unit : units) {
            Fixture fixture = show.patch().get(unit.fixture());
            if (touched) {
                Set<Attribute> own = touched(show, unit);
                columns(show, fixture, unit, columns, own::contains);
            } else if (seen.add(List.of(fixture.profile(), fixture.mode(), unit.cell()))) {
                columns(show, fixture, unit, columns, a -> true);
            }
        }
        return columns.values().stream()
                .sorted(Comparator.comparingInt(c -> KINDS.indexOf(c.kind())))
                .toList();
    }

    private static void columns(
            Show show, Fixture fixture, UnitId unit, Map<String, ValueColumn> columns, Predicate<Attribute> wanted) {
        Profile profile = show.patch().profileOf(fixture);
        for (Parameter p : show.patch().modeOf(fixture).parameters(unit.cell()).values()) {
            if (wanted.test(p.attribute())) {
                columns.computeIfAbsent(p.attribute().name(), name -> {
                    AttributeDefinition definition = profile.definition(p.attribute());
                    String kind = definition.kind().name().toLowerCase(Locale.ROOT);
                    return new ValueColumn(name, definition.pretty(), kind);
                });
            }
        }
    }

    private static UnitRow row(Show show, UnitId unit, List<Resolved> channels) {
        Fixture fixture = show.patch().get(unit.fixture());
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        Map<Attribute, Held> held = show.resolver().held(unit, show.programmer().of(unit));
        Map<String, ValueCell> cells = new LinkedHashMap<>();
        for (Parameter p : mode.parameters(unit.cell()).values()) {
            Resolved now = channels.get(p.channel());
            if (now.function().attribute().equals(p.attribute())) {
                Optional<Held> own = Optional.ofNullable(held.get(p.attribute()));
                cells.put(
                        p.attribute().name(),
                        cell(
                                show,
                                now,
                                own,
                                profile.definition(p.attribute()),
                                slots(show, fixture, mode, p, channels)));
            }
        }
        return new UnitRow(show.label(unit), profile.name(), cells);
    }

    private static ValueCell cell(
            Show show, Resolved now, Optional<Held> held, AttributeDefinition definition, String slots) {
        return new ValueCell(
                text(now, definition),
                physical(now, definition),
                now.from(),
                now.source()
                        .followed()
                        .flatMap(show::palette)
                        .map(x -> x.number() + " " + x.name())
                        .or(() -> now.source()
                                .moved()
                                .flatMap(u -> show.effect(u.effect()))
                                .map(Effect::toString))
                        .orElse(""),
                held.filter(Held::touched).isPresent(),
                held.filter(Held::companion)
                        .map(h -> "came along: without it others do not work, or would show otherwise")
                        .orElse(""),
                slots);
    }

    private static String text(Resolved now, AttributeDefinition definition) {
        if (now.source().moved().isPresent()) {
            return ValueRows.MOVES;
        }
        String name =
                now.function().rangeAt(now.fraction()).map(NamedRange::name).orElse("");
        if (!name.isEmpty()) {
            return name;
        }
        return definition.unit().equals("Angle")
                ? physical(now, definition)
                : Decimal.text(now.place().share().value() * 100, 1) + " %";
    }

    private static String physical(Resolved now, AttributeDefinition definition) {
        return now.source().moved().isPresent()
                ? ValueRows.MOVES
                : Decimal.text(now.function().physicalOf(now.fraction()), 1) + ValueRows.sign(definition);
    }

    /** What its channel sends; a virtual dimmer has no slots, and scales those of its emitters. */
    private static String slots(Show show, Fixture fixture, Mode mode, Parameter p, List<Resolved> channels) {
        Channel channel = mode.channels().get(p.channel());
        long sent = Encoder.sent(mode, fixture.inverted(), p.channel(), channels);
        List<String> parts = new ArrayList<>();
        for (Claim claim : show.patch().claimsOf(fixture)) {
            for (int i = 0;
                    claim.at().breakNumber() == channel.breakNumber()
                            && i < channel.offsets().size();
                    i++) {
                int octet = channel.resolution().octet(sent, i) & 0xFF;
                parts.add(claim.universe() + "."
                        + (claim.first() + channel.offsets().get(i) - 1) + " = " + octet);
            }
        }
        return String.join(" · ", parts);
    }
}
