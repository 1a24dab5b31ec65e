package app.loculus.core.desk;

import app.loculus.core.dmx.Encoder;
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
import app.loculus.core.resolve.Held;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * What is in hand, unit by unit and attribute by attribute.
 *
 * @param columns attributes of whatever is in hand, by kind
 * @param rows in the order of the selection
 */
public record ValueTable(List<ValueColumn> columns, List<UnitRow> rows) {

    /** @param label as the profile that has it first calls it */
    public record ValueColumn(String attribute, String label, String kind) {}

    /**
     * One attribute of one unit.
     *
     * @param text a name, degrees or percent
     * @param source home, hand, palette or highlight
     * @param palette number and name, empty for none
     * @param touched whether it will be recorded
     * @param along why it came along, empty when it did not
     * @param slots what goes out, as {@code 1.17 = 163}; empty without an address
     */
    public record ValueCell(String text, String source, String palette, boolean touched, String along, String slots) {}

    /** @param cells by attribute */
    public record UnitRow(String unit, String type, Map<String, ValueCell> cells) {}

    private static final List<String> KINDS =
            List.of("intensity", "position", "colour", "beam", "shape", "control", "combined");

    public static ValueTable of(Show show) {
        Map<String, ValueColumn> columns = new LinkedHashMap<>();
        List<UnitRow> rows = new ArrayList<>();
        Map<Fixture, List<Resolved>> resolved = new LinkedHashMap<>();
        for (UnitId held : show.hand().selection().units()) {
            for (UnitId unit : Touching.withCells(show.patch(), held)) {
                Fixture fixture = show.patch().get(unit.fixture());
                List<Resolved> channels = resolved.computeIfAbsent(fixture, show.resolver()::resolve);
                row(show, fixture, unit, channels, columns).ifPresent(rows::add);
            }
        }
        List<ValueColumn> sorted = columns.values().stream()
                .sorted(Comparator.comparingInt(c -> KINDS.indexOf(c.kind())))
                .toList();
        return new ValueTable(sorted, rows);
    }

    private static Optional<UnitRow> row(
            Show show, Fixture fixture, UnitId unit, List<Resolved> channels, Map<String, ValueColumn> columns) {
        Profile profile = show.patch().profileOf(fixture);
        Mode mode = show.patch().modeOf(fixture);
        Map<Attribute, Held> held = show.resolver().held(unit, show.programmer().of(unit));
        Map<String, ValueCell> cells = new LinkedHashMap<>();
        for (Parameter p : mode.parameters(unit.cell()).values()) {
            Resolved now = channels.get(p.channel());
            if (now.function().attribute().equals(p.attribute())) {
                AttributeDefinition definition = profile.definition(p.attribute());
                String name = p.attribute().name();
                String kind = definition.kind().name().toLowerCase(Locale.ROOT);
                columns.putIfAbsent(name, new ValueColumn(name, definition.pretty(), kind));
                Optional<Held> own = Optional.ofNullable(held.get(p.attribute()));
                cells.put(name, cell(show, now, own, definition, slots(show, fixture, mode, p, channels)));
            }
        }
        return cells.isEmpty() ? Optional.empty() : Optional.of(new UnitRow(show.label(unit), profile.name(), cells));
    }

    private static ValueCell cell(
            Show show, Resolved now, Optional<Held> held, AttributeDefinition definition, String slots) {
        return new ValueCell(
                text(now, definition),
                now.source().word(),
                now.source()
                        .followed()
                        .flatMap(show::palette)
                        .map(x -> x.number() + " " + x.name())
                        .orElse(""),
                held.filter(Held::touched).isPresent(),
                held.filter(Held::companion)
                        .map(h -> "came along: without it others do not work, or would show otherwise")
                        .orElse(""),
                slots);
    }

    private static String text(Resolved now, AttributeDefinition definition) {
        String name =
                now.function().rangeAt(now.fraction()).map(NamedRange::name).orElse("");
        if (!name.isEmpty()) {
            return name;
        }
        return definition.unit().equals("Angle")
                ? Decimal.text(now.function().physicalOf(now.fraction()), 1) + "°"
                : Decimal.text(now.place().share().value() * 100, 1) + " %";
    }

    /** What its channel sends; a virtual dimmer has no slots, and scales those of its emitters. */
    private static String slots(Show show, Fixture fixture, Mode mode, Parameter p, List<Resolved> channels) {
        Channel channel = mode.channels().get(p.channel());
        long sent = Encoder.sent(mode, p.channel(), channels);
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
