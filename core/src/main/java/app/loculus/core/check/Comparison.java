package app.loculus.core.check;

import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.Starts;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Holds a paper against the patch, number by number. */
public final class Comparison {

    /** A hole of more numbers than this is meant to be one. */
    private static final int LARGEST_HOLE = 2;

    private final Patch patch;
    private final Set<PaperField> columns;
    private final List<PaperRow> rows;
    private final Map<Integer, PaperRow> paper = new TreeMap<>();
    private final Map<Integer, Fixture> pairs = new LinkedHashMap<>();
    private final List<Difference> found = new ArrayList<>();

    private Comparison(Show show, Profiles library, List<HookupRow> rows, Set<PaperField> columns) {
        Profiles profiles = show.profiles().orElse(library);
        this.patch = show.patch();
        this.columns = columns;
        this.rows = rows.stream().map(r -> PaperRow.of(r, profiles)).toList();
        this.rows.forEach(this::read);
    }

    /**
     * @param columns what the paper has columns for; only these are compared
     * @return in the order of numbers
     */
    public static Comparison of(Show show, Profiles library, List<HookupRow> rows, Set<PaperField> columns) {
        Comparison comparison = new Comparison(show, library, rows, columns);
        comparison.pairByNumber();
        comparison.compare();
        return comparison;
    }

    /**
     * Rows whose counterparts somebody else has found, as those of a drawing.
     *
     * @param pairs fixtures of the show by the number that their row has; rows without one are missing in the show
     */
    static Comparison paired(
            Show show, Profiles library, List<HookupRow> rows, Set<PaperField> columns, Map<Integer, Fixture> pairs) {
        Comparison comparison = new Comparison(show, library, rows, columns);
        pairs.keySet().retainAll(comparison.paper.keySet());
        comparison.pairs.putAll(pairs);
        comparison.compare();
        return comparison;
    }

    public List<Difference> differences() {
        return List.copyOf(found);
    }

    /** Numbers that agree in everything. */
    public int agreeing() {
        Set<Integer> differing = found.stream().map(Difference::number).collect(Collectors.toSet());
        return (int) paper.keySet().stream()
                .filter(n ->
                        pairs.containsKey(n) && !differing.contains(pairs.get(n).number()))
                .count();
    }

    /** The one edit that takes the paper's word in these differences. */
    public ReviseFixtures taking(Collection<String> keys) {
        Set<String> wanted = new HashSet<>(keys);
        Map<Integer, Revision> revisions = new LinkedHashMap<>();
        List<FixtureId> deleted = new ArrayList<>();
        for (Difference d : found) {
            if (wanted.contains(d.key()) && d.takeable()) {
                if (d.kind() == Difference.Kind.EXTRA) {
                    deleted.add(patch.number(d.number()).id());
                } else {
                    revisions.merge(d.number(), revision(d), Comparison::together);
                }
            }
        }
        return new ReviseFixtures(List.copyOf(revisions.values()), deleted);
    }

    private void compare() {
        paper.forEach((number, row) -> {
            if (pairs.containsKey(number)) {
                compare(pairs.get(number), number, row);
            } else {
                missing(number, row);
            }
        });
        Set<FixtureId> there = pairs.values().stream().map(Fixture::id).collect(Collectors.toSet());
        patch.fixtures().stream().filter(f -> !there.contains(f.id())).forEach(this::extra);
        doubledAddresses();
        holes();
        found.sort(java.util.Comparator.comparingInt(Difference::number));
    }

    private void read(PaperRow row) {
        if (row.number().isEmpty()) {
            found.add(new Difference(
                    0,
                    Difference.Kind.DOUBLED,
                    Optional.of(PaperField.NUMBER),
                    row.row().line(),
                    "",
                    row.row().number(),
                    Optional.empty(),
                    Optional.of("Line " + row.row().line() + ": “" + row.row().number() + "” is no fixture number.")));
            return;
        }
        PaperRow first = paper.putIfAbsent(row.number().get(), row);
        if (first != null) {
            int number = row.number().get();
            found.add(new Difference(
                    number,
                    Difference.Kind.DOUBLED,
                    Optional.of(PaperField.NUMBER),
                    row.row().line(),
                    patch.numbered(number).map(this::words).orElse(""),
                    row.words(),
                    meant(number),
                    Optional.of(
                            "Line " + first.row().line() + " has " + number + " already, as " + first.words() + ".")));
        }
    }

    /** A number that the paper lacks and that this one could be a slip of. */
    private Optional<String> meant(int number) {
        Set<Integer> said = rows.stream().flatMap(r -> r.number().stream()).collect(Collectors.toSet());
        return patch.fixtures().stream()
                .map(Fixture::number)
                .filter(n -> !said.contains(n) && Slips.numbers(n, number).isPresent())
                .findFirst()
                .map(n -> "perhaps " + n + " is meant: "
                        + Slips.numbers(n, number).get());
    }

    /** By the same number; then what the paper has under another number, at the same address and of the same type. */
    private void pairByNumber() {
        Map<Address, Fixture> extra = new HashMap<>();
        patch.fixtures().stream()
                .filter(f -> !paper.containsKey(f.number()) && f.patched())
                .forEach(f -> extra.put(f.addresses().get(0).address(), f));
        paper.forEach((number, row) -> {
            Optional<Fixture> same = patch.numbered(number);
            Optional<Fixture> other = row.starts()
                    .filter(s -> same.isEmpty())
                    .flatMap(s -> s.addresses().stream().findFirst())
                    .map(extra::remove)
                    .filter(f -> sameType(f, row));
            same.or(() -> other).ifPresent(f -> pairs.put(number, f));
        });
    }

    private void missing(int number, PaperRow row) {
        found.add(new Difference(
                number,
                Difference.Kind.MISSING,
                Optional.empty(),
                row.row().line(),
                "",
                row.words(),
                Optional.empty(),
                row.typeTrouble().or(() -> trouble(row)).or(() -> taken(number))));
    }

    /** A number that the show has for something else. */
    private Optional<String> taken(int number) {
        return patch.numbered(number)
                .map(f -> "The show has " + number + " for another one: " + words(f)
                        + ". Give that its new number first.");
    }

    private static Optional<String> trouble(PaperRow row) {
        return row.starts().isPresent()
                ? Optional.empty()
                : Optional.of("Line " + row.row().line() + ", address: “"
                        + row.row().address().strip() + "” is no address.");
    }

    private void extra(Fixture fixture) {
        found.add(new Difference(
                fixture.number(),
                Difference.Kind.EXTRA,
                Optional.empty(),
                0,
                words(fixture),
                "",
                Optional.empty(),
                Optional.empty()));
    }

    private String words(Fixture fixture) {
        return type(fixture) + (fixture.patched() ? " at " + Starts.of(fixture.addresses()) : "");
    }

    private String type(Fixture fixture) {
        return patch.profileOf(fixture).name() + " / " + fixture.mode();
    }

    private void compare(Fixture fixture, int paperNumber, PaperRow row) {
        if (fixture.number() != paperNumber) {
            differ(
                    fixture,
                    row,
                    PaperField.NUMBER,
                    String.valueOf(fixture.number()),
                    String.valueOf(paperNumber),
                    Slips.numbers(fixture.number(), paperNumber),
                    Optional.empty());
        }
        address(fixture, row);
        if (columns.contains(PaperField.TYPE) && !sameType(fixture, row)) {
            differ(fixture, row, PaperField.TYPE, type(fixture), row.typeText(), Optional.empty(), row.typeTrouble());
        }
        text(fixture, row, PaperField.NAME, fixture.name(), row.row().name());
        text(fixture, row, PaperField.POSITION, fixture.position(), row.row().position());
        text(fixture, row, PaperField.PURPOSE, fixture.purpose(), row.row().purpose());
    }

    private void differ(
            Fixture fixture,
            PaperRow row,
            PaperField field,
            String ours,
            String theirs,
            Optional<String> slip,
            Optional<String> hindrance) {
        found.add(new Difference(
                fixture.number(),
                Difference.Kind.DIFFERENT,
                Optional.of(field),
                row.row().line(),
                ours,
                theirs,
                slip,
                hindrance));
    }

    private void address(Fixture fixture, PaperRow row) {
        if (!columns.contains(PaperField.ADDRESS)) {
            return;
        }
        boolean same = row.starts()
                .map(s -> s.says(patch.modeOf(fixture), fixture.addresses()))
                .orElse(false);
        if (!same) {
            Optional<Address> theirs =
                    row.starts().flatMap(s -> s.addresses().stream().findFirst());
            Optional<Address> ours =
                    fixture.addresses().stream().map(a -> a.address()).findFirst();
            Optional<String> slip = ours.flatMap(o -> theirs.flatMap(t -> Slips.addresses(patch, fixture, o, t)));
            differ(
                    fixture,
                    row,
                    PaperField.ADDRESS,
                    Starts.of(fixture.addresses()).toString(),
                    row.row().address().strip(),
                    slip,
                    trouble(row));
        }
    }

    /** Without a mode on paper the profile alone counts. */
    private boolean sameType(Fixture fixture, PaperRow row) {
        if (row.type().isPresent() && !row.row().mode().isBlank()) {
            return row.type()
                            .get()
                            .profile()
                            .fullName()
                            .equals(patch.profileOf(fixture).fullName())
                    && row.type().get().mode().name().equals(fixture.mode());
        }
        String said = row.row().profile().strip();
        return said.equalsIgnoreCase(patch.profileOf(fixture).name())
                || said.equalsIgnoreCase(patch.profileOf(fixture).fullName())
                || said.equalsIgnoreCase(type(fixture));
    }

    private void text(Fixture fixture, PaperRow row, PaperField field, String ours, String theirs) {
        boolean differs = columns.contains(field) && !ours.strip().equals(theirs.strip());
        boolean unnamed = field == PaperField.NAME && theirs.isBlank();
        if (differs && !unnamed) {
            differ(fixture, row, field, ours, theirs.strip(), Optional.empty(), Optional.empty());
        }
    }

    /** Two rows of the paper on one address. */
    private void doubledAddresses() {
        Map<Address, PaperRow> first = new HashMap<>();
        for (Map.Entry<Integer, PaperRow> e : paper.entrySet()) {
            e.getValue().starts().map(Starts::addresses).orElse(List.of()).forEach(a -> {
                PaperRow other = first.putIfAbsent(a, e.getValue());
                if (other != null) {
                    found.add(new Difference(
                            e.getKey(),
                            Difference.Kind.DOUBLED,
                            Optional.of(PaperField.ADDRESS),
                            e.getValue().row().line(),
                            patch.numbered(e.getKey()).map(this::words).orElse(""),
                            a.toString(),
                            Optional.empty(),
                            Optional.of("Line " + other.row().line() + " gives " + a + " to "
                                    + other.number().orElse(0) + " as well.")));
                }
            });
        }
    }

    /** Numbers that neither has, between two of one kind at one position. */
    private void holes() {
        Map.Entry<Integer, PaperRow> before = null;
        for (Map.Entry<Integer, PaperRow> e : paper.entrySet()) {
            if (before != null && alike(before.getValue(), e.getValue())) {
                int size = e.getKey() - before.getKey() - 1;
                for (int n = before.getKey() + 1; size <= LARGEST_HOLE && n < e.getKey(); n++) {
                    if (patch.numbered(n).isEmpty()) {
                        found.add(new Difference(
                                n,
                                Difference.Kind.HOLE,
                                Optional.empty(),
                                e.getValue().row().line(),
                                "",
                                "",
                                Optional.of("neither has " + n + ", between " + before.getKey() + " and " + e.getKey()),
                                Optional.empty()));
                    }
                }
            }
            before = e;
        }
    }

    private static boolean alike(PaperRow one, PaperRow other) {
        return one.typeText().equals(other.typeText())
                && one.row().position().equals(other.row().position());
    }

    private Revision revision(Difference d) {
        boolean all = d.kind() == Difference.Kind.MISSING;
        int paperNumber = all ? d.number() : numberOnPaper(d.number());
        PaperRow row = paper.get(paperNumber);
        return new Revision(
                d.number(),
                takes(d, PaperField.NUMBER) ? Optional.of(paperNumber) : Optional.empty(),
                takes(d, PaperField.NAME) || all && !row.row().name().isBlank()
                        ? Optional.of(row.row().name().strip())
                        : Optional.empty(),
                takes(d, PaperField.TYPE) || all ? row.type() : Optional.empty(),
                takes(d, PaperField.ADDRESS) || all ? row.starts() : Optional.empty(),
                takes(d, PaperField.POSITION) || all
                        ? Optional.of(row.row().position().strip())
                        : Optional.empty(),
                takes(d, PaperField.PURPOSE) || all
                        ? Optional.of(row.row().purpose().strip())
                        : Optional.empty(),
                Optional.empty());
    }

    private int numberOnPaper(int ours) {
        return pairs.entrySet().stream()
                .filter(e -> e.getValue().number() == ours)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(ours);
    }

    private static boolean takes(Difference d, PaperField field) {
        return d.kind() == Difference.Kind.DIFFERENT && d.field().equals(Optional.of(field));
    }

    private static Revision together(Revision a, Revision b) {
        return new Revision(
                a.number(),
                a.renumbered().or(b::renumbered),
                a.name().or(b::name),
                a.type().or(b::type),
                a.starts().or(b::starts),
                a.position().or(b::position),
                a.purpose().or(b::purpose),
                a.notes().or(b::notes));
    }
}
