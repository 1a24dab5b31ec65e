package app.loculus.core.paper;

import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Starts;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.show.Show;
import app.loculus.core.show.Universes;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** The patch on paper: fixture by fixture, position by position, universe by universe. */
final class HookupSheets {

    private static final Sheet.Column NUMBER = Sheet.Column.number("No.", .7);
    private static final Sheet.Column NAME = new Sheet.Column("Name", 2.2);
    private static final Sheet.Column TYPE = new Sheet.Column("Type / mode", 2.6);
    private static final Sheet.Column ADDRESS = new Sheet.Column("Address", 1.5);
    private static final Sheet.Column HANGS = new Sheet.Column("Hangs", 1.5);
    private static final Sheet.Column PURPOSE = new Sheet.Column("Purpose", 1.7);
    private static final Sheet.Column ANSWERED = new Sheet.Column("Answered", 1.4);

    /** Where the position is among the cells of a fixture. */
    private static final int POSITION_AT = 4;

    private HookupSheets() {}

    static Sheet byNumber(Show show) {
        return new Sheet(
                "Hookup by number",
                words(show),
                List.of(NUMBER, NAME, TYPE, ADDRESS, HANGS, PURPOSE, ANSWERED),
                List.of(new Sheet.Section(
                        "", "", false, rows(show, List.copyOf(show.patch().fixtures())))));
    }

    static Sheet byName(Show show) {
        List<Fixture> all = show.patch().fixtures().stream()
                .sorted(Comparator.comparing(Fixture::name, String.CASE_INSENSITIVE_ORDER)
                        .thenComparingInt(Fixture::number))
                .toList();
        return new Sheet(
                "Hookup by name",
                words(show),
                List.of(NAME, NUMBER, TYPE, ADDRESS, HANGS, PURPOSE, ANSWERED),
                List.of(new Sheet.Section(
                        "",
                        "",
                        false,
                        all.stream()
                                .map(f -> {
                                    List<String> row = new ArrayList<>(row(show, f));
                                    row.add(0, row.remove(1));
                                    return List.copyOf(row);
                                })
                                .toList())));
    }

    /** In the order of their names; those without a position come last. */
    static Map<String, List<Fixture>> positions(Show show) {
        Map<String, List<Fixture>> byPosition = new TreeMap<>(Comparator.comparing(String::isEmpty)
                .thenComparing(String.CASE_INSENSITIVE_ORDER)
                .thenComparing(Comparator.naturalOrder()));
        show.patch()
                .fixtures()
                .forEach(f -> byPosition
                        .computeIfAbsent(f.position().strip(), p -> new ArrayList<>())
                        .add(f));
        return byPosition;
    }

    /** As a heading. */
    static String position(String name) {
        return name.isEmpty() ? "No position" : name;
    }

    /** The heading says where they hang. */
    static Sheet byPosition(Show show) {
        List<Sheet.Column> columns = List.of(NUMBER, NAME, TYPE, ADDRESS, PURPOSE, ANSWERED);
        List<Sheet.Section> sections = new ArrayList<>();
        positions(show).forEach((position, fixtures) -> {
            int slots = fixtures.stream()
                    .mapToInt(f -> show.patch().modeOf(f).slots())
                    .sum();
            sections.add(new Sheet.Section(
                    position(position),
                    Numbers.count(fixtures.size(), "fixture") + " · " + Numbers.count(slots, "slot"),
                    false,
                    rows(show, fixtures).stream()
                            .map(HookupSheets::withoutPosition)
                            .toList()));
        });
        return new Sheet("Hookup by position", words(show), columns, sections);
    }

    private static List<String> withoutPosition(List<String> row) {
        List<String> rest = new ArrayList<>(row);
        rest.remove(POSITION_AT);
        return List.copyOf(rest);
    }

    /** A page a universe, with its map; those without an address last. */
    static Sheet byOutput(Show show) {
        List<Sheet.Section> sections = new ArrayList<>();
        show.patch().claims().forEach((universe, claims) -> {
            UniverseSetup setup = Universes.at(show, universe);
            int used = (int) claims.stream()
                    .flatMapToInt(c -> java.util.stream.IntStream.rangeClosed(c.first(), c.last()))
                    .distinct()
                    .count();
            List<Figure.Span> spans = claims.stream()
                    .map(c -> new Figure.Span(
                            c.first(), c.last(), String.valueOf(c.fixture().number())))
                    .toList();
            sections.add(new Sheet.Section(
                            "Universe " + universe + (setup.name().isEmpty() ? "" : " " + setup.name()),
                            used + " of 512 slots · "
                                    + (setup.on() ? setup.route().toString() : "off")
                                    + (setup.port() == universe ? "" : ", as number " + setup.port()),
                            false,
                            claims.stream().map(c -> claim(show, c)).toList())
                    .with(new Figure.SlotMap(universe, spans))
                    .onOwnPage());
        });
        List<Fixture> without =
                show.patch().fixtures().stream().filter(f -> !f.patched()).toList();
        if (!without.isEmpty()) {
            sections.add(new Sheet.Section(
                    "Without an address",
                    Numbers.count(without.size(), "fixture"),
                    false,
                    without.stream()
                            .map(f ->
                                    List.of("", "", String.valueOf(f.number()), f.name(), type(show, f), f.position()))
                            .toList()));
        }
        return new Sheet(
                "Hookup by output",
                words(show),
                List.of(Sheet.Column.number("From", .6), Sheet.Column.number("To", .6), NUMBER, NAME, TYPE, HANGS),
                sections);
    }

    private static List<String> claim(Show show, Claim c) {
        return List.of(
                String.valueOf(c.first()),
                String.valueOf(c.last()),
                String.valueOf(c.fixture().number()),
                c.fixture().name() + (c.at().shared() ? " (shared)" : ""),
                type(show, c.fixture()),
                c.fixture().position());
    }

    static String words(Show show) {
        int without =
                (int) show.patch().fixtures().stream().filter(f -> !f.patched()).count();
        return Numbers.count(show.patch().size(), "fixture") + " on "
                + Numbers.count(show.patch().claims().size(), "universe")
                + (without == 0 ? "" : ", " + without + " without an address");
    }

    private static List<List<String>> rows(Show show, List<Fixture> fixtures) {
        return fixtures.stream().map(f -> row(show, f)).toList();
    }

    private static List<String> row(Show show, Fixture f) {
        return List.of(
                String.valueOf(f.number()),
                f.name(),
                type(show, f),
                address(f),
                f.position(),
                f.purpose(),
                answered(f));
    }

    static String type(Show show, Fixture f) {
        return show.patch().profileOf(f).name() + " / " + f.mode();
    }

    static String address(Fixture f) {
        boolean shared = f.addresses().stream().anyMatch(a -> a.shared());
        return f.patched() ? Starts.of(f.addresses()) + (shared ? " shared" : "") : "";
    }

    private static String answered(Fixture f) {
        return f.bringUp().tried()
                ? f.bringUp().answer().word()
                        + (f.bringUp().note().isEmpty()
                                ? ""
                                : ": " + f.bringUp().note())
                : "";
    }
}
