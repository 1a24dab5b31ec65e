package app.loculus.core.edit.look;

import app.loculus.core.edit.palette.ValueWords;
import app.loculus.core.group.Group;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Kind;
import app.loculus.core.profile.Profile;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What stands in a list at a cue, against the cue before it: what it changes, what it sets as it was, what is carried on,
 * and what of it is plain.
 */
public final class LookContents {

    /** How a value stands to what was there before. */
    public enum Stands {
        /** It is another one than before. */
        CHANGES,
        /** It is set again as it was. */
        SAME,
        /** An earlier cue set it. */
        CARRIED
    }

    /**
     * Units that stand alike.
     *
     * @param who as a group where they are just those, else by number
     * @param what the kind, or what attributes are called
     * @param value it has; @param was before, empty when nothing was set
     * @param plain whether it follows no palette, intensity aside
     * @param units labels of the units
     */
    public record Row(
            String who,
            Kind kind,
            String what,
            String value,
            String was,
            Stands stands,
            boolean plain,
            List<String> units) {}

    /**
     * How many units.
     *
     * @param changes of which something is another than before; @param carried that stand as earlier cues set them
     * @param plain of the cue's own that hold plain values
     */
    public record Counts(int changes, int carried, int plain) {}

    private record Key(Kind kind, String what, String value, String was, Stands stands, boolean plain) {}

    /** More values of one thing than this are told from the first to the last. */
    private static final int MOST_ROWS = 6;

    private LookContents() {}

    /** Counts for each cue of a list, in order. */
    public static List<Counts> counts(Show show, CueList list) {
        Map<UnitId, UnitValues> standing = Map.of();
        List<Counts> all = new ArrayList<>();
        for (Cue cue : show.cues(list.id())) {
            Map<UnitId, UnitValues> own = show.look(cue.look()).values();
            Set<UnitId> changes = new LinkedHashSet<>();
            for (Map.Entry<UnitId, UnitValues> e : own.entrySet()) {
                if (differs(standing.get(e.getKey()), e.getValue())) {
                    changes.add(e.getKey());
                }
            }
            boolean carrying = list.join() == CueList.Join.CARRYING_ON;
            int carried = carrying
                    ? (int) standing.keySet().stream()
                            .filter(u -> !changes.contains(u))
                            .count()
                    : 0;
            all.add(new Counts(changes.size(), carried, Plain.of(show, own).size()));
            standing = carrying ? RecordLook.merged(show.patch(), standing, own) : own;
        }
        return all;
    }

    private static boolean differs(UnitValues was, UnitValues is) {
        return was == null
                || is.byAttribute().entrySet().stream()
                        .anyMatch(e -> !was.get(e.getKey())
                                .map(Touched::value)
                                .equals(Optional.of(e.getValue().value())));
    }

    /** What stands at a cue. */
    public static List<Row> of(Show show, Cue cue) {
        CueList list = show.list(cue.list()).orElseThrow();
        List<Cue> cues = show.cues(list.id());
        int at = cues.indexOf(cue);
        Map<UnitId, UnitValues> before = at == 0 ? Map.of() : standing(show, cues.get(at - 1));
        return rows(show, before, show.look(cue.look()).values(), list.join() == CueList.Join.CARRYING_ON);
    }

    /** What stands when a list has come to a cue: the merge of all up to it, or it alone. */
    public static Map<UnitId, UnitValues> standing(Show show, Cue cue) {
        CueList list = show.list(cue.list()).orElseThrow();
        List<Cue> cues = show.cues(list.id());
        Map<UnitId, UnitValues> standing = Map.of();
        for (Cue one : cues.subList(0, cues.indexOf(cue) + 1)) {
            Map<UnitId, UnitValues> own = show.look(one.look()).values();
            standing = list.join() == CueList.Join.CARRYING_ON ? RecordLook.merged(show.patch(), standing, own) : own;
        }
        return standing;
    }

    /** How one state differs from another: what is another there, or is there alone; rows that do not differ are left out. */
    public static List<Row> between(Show show, Map<UnitId, UnitValues> one, Map<UnitId, UnitValues> other) {
        Map<UnitId, UnitValues> gone = new LinkedHashMap<>();
        one.forEach((unit, values) -> {
            Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
            Optional.ofNullable(other.get(unit))
                    .ifPresent(o -> left.keySet().removeAll(o.byAttribute().keySet()));
            if (!left.isEmpty()) {
                gone.put(unit, new UnitValues(left));
            }
        });
        List<Row> rows = new ArrayList<>(rows(show, one, other, false).stream()
                .filter(r -> r.stands() == Stands.CHANGES)
                .toList());
        // What the other does not say goes to what lies below.
        rows(show, Map.of(), gone, false)
                .forEach(r -> rows.add(
                        new Row(r.who(), r.kind(), r.what(), "nothing", r.value(), Stands.CHANGES, false, r.units())));
        return rows;
    }

    /** What a look holds by itself. */
    public static List<Row> of(Show show, Map<UnitId, UnitValues> values) {
        return rows(show, Map.of(), values, false);
    }

    private static List<Row> rows(
            Show show, Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> own, boolean carrying) {
        Map<Key, List<UnitId>> alike = new LinkedHashMap<>();
        own.forEach((unit, values) -> keys(show, unit, before.getOrDefault(unit, UnitValues.NONE), values)
                .forEach(k -> alike.computeIfAbsent(k, x -> new ArrayList<>()).add(unit)));
        if (carrying) {
            before.forEach((unit, values) -> {
                Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
                Optional.ofNullable(own.get(unit))
                        .ifPresent(o -> left.keySet().removeAll(o.byAttribute().keySet()));
                words(show, unit, left)
                        .forEach((what, value) -> alike.computeIfAbsent(
                                        new Key(value.kind(), what, value.words(), "", Stands.CARRIED, value.plain()),
                                        x -> new ArrayList<>())
                                .add(unit));
            });
        }
        Groups groups = new Groups(show);
        return spreads(alike).entrySet().stream()
                .map(e -> row(groups, show, e.getKey(), e.getValue()))
                .sorted(java.util.Comparator.comparing(Row::stands).thenComparing(Row::kind))
                .toList();
    }

    /** Many values of one thing are one row, from the first to the last: a spread is seen as one. */
    private static Map<Key, List<UnitId>> spreads(Map<Key, List<UnitId>> alike) {
        Map<Key, List<Key>> byWhat = new LinkedHashMap<>();
        alike.keySet()
                .forEach(k -> byWhat.computeIfAbsent(
                                new Key(k.kind(), k.what(), "", "", k.stands(), k.plain()), x -> new ArrayList<>())
                        .add(k));
        Map<Key, List<UnitId>> found = new LinkedHashMap<>();
        byWhat.forEach((what, keys) -> {
            if (keys.size() <= MOST_ROWS) {
                keys.forEach(k -> found.put(k, alike.get(k)));
                return;
            }
            Key first = keys.get(0);
            Key last = keys.get(keys.size() - 1);
            List<UnitId> units =
                    keys.stream().flatMap(k -> alike.get(k).stream()).sorted().toList();
            String was = first.was().equals(last.was()) ? first.was() : first.was() + " … " + last.was();
            found.put(
                    new Key(
                            what.kind(),
                            what.what(),
                            first.value() + " … " + last.value(),
                            was,
                            what.stands(),
                            what.plain()),
                    units);
        });
        return found;
    }

    private static Row row(Groups groups, Show show, Key key, List<UnitId> units) {
        return new Row(
                groups.words(units),
                key.kind(),
                key.what(),
                key.value(),
                key.was(),
                key.stands(),
                key.plain(),
                units.stream().map(show::label).toList());
    }

    private static List<Key> keys(Show show, UnitId unit, UnitValues was, UnitValues is) {
        Map<String, Words> before = words(show, unit, was.byAttribute());
        List<Key> keys = new ArrayList<>();
        words(show, unit, is.byAttribute()).forEach((what, value) -> {
            String stood =
                    Optional.ofNullable(before.get(what)).map(Words::words).orElse("");
            Stands stands = stood.equals(value.words()) ? Stands.SAME : Stands.CHANGES;
            keys.add(new Key(
                    value.kind(), what, value.words(), stands == Stands.SAME ? "" : stood, stands, value.plain()));
        });
        return keys;
    }

    private record Words(Kind kind, String words, boolean plain) {}

    /** A palette once for all that follows it; plain values attribute by attribute. */
    private static Map<String, Words> words(Show show, UnitId unit, Map<Attribute, Touched> values) {
        Profile profile = show.patch().profileOf(show.patch().get(unit.fixture()));
        Map<String, Words> found = new LinkedHashMap<>();
        values.forEach((attribute, t) -> {
            Kind kind = profile.kindOf(attribute);
            if (t.value() instanceof AttributeValue.Reference || t.value() instanceof AttributeValue.Moved) {
                String what = kind.word();
                String words = ValueWords.of(show, t.value());
                found.merge(
                        what,
                        new Words(kind, words, Plain.is(t, kind)),
                        (a, b) -> a.words().contains(b.words())
                                ? a
                                : new Words(a.kind(), a.words() + " + " + b.words(), a.plain() || b.plain()));
            } else if (!t.companion()) {
                found.put(
                        profile.definition(attribute).pretty(),
                        new Words(kind, ValueWords.of(show, t.value()), kind != Kind.INTENSITY));
            }
        });
        return found;
    }

    /** Units in words: as groups where they are just those. */
    public static final class Groups {

        private final Show show;
        private final Map<Set<UnitId>, String> byUnits = new LinkedHashMap<>();

        public Groups(Show show) {
            this.show = show;
            for (Group group : show.groups()) {
                if (!group.content().choice().changesWithLight()) {
                    Set<UnitId> units = new LinkedHashSet<>(show.units(group).units());
                    String words = "group " + group.number() + " “" + group.name() + "”";
                    byUnits.putIfAbsent(units, words);
                    Set<UnitId> cells = cells(units);
                    if (!cells.isEmpty()) {
                        byUnits.putIfAbsent(cells, words + ", all cells");
                    }
                }
            }
        }

        private Set<UnitId> cells(Set<UnitId> units) {
            return units.stream()
                    .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                    .filter(u -> u.cell() > 0)
                    .collect(Collectors.toCollection(LinkedHashSet::new));
        }

        public String words(List<UnitId> units) {
            Set<UnitId> all = new LinkedHashSet<>(units);
            String group = byUnits.get(all);
            if (group != null) {
                return group;
            }
            boolean whole = units.stream().allMatch(u -> u.cell() == 0);
            return whole
                    ? Numbers.text(units.stream()
                            .map(u -> show.patch().get(u.fixture()).number())
                            .sorted()
                            .toList())
                    : byFixture(all);
        }

        /** Cells of a fixture as one when all of them are there. */
        private String byFixture(Set<UnitId> units) {
            Map<Integer, List<UnitId>> byNumber = units.stream()
                    .collect(Collectors.groupingBy(
                            u -> show.patch().get(u.fixture()).number(), java.util.TreeMap::new, Collectors.toList()));
            return byNumber.entrySet().stream()
                            .map(e -> e.getKey()
                                    + (e.getValue().size() == 1
                                                    && e.getValue().get(0).cell() == 0
                                            ? ""
                                            : "."
                                                    + Numbers.text(e.getValue().stream()
                                                                    .map(UnitId::cell)
                                                                    .sorted()
                                                                    .toList())
                                                            .replace(" thru ", "–")
                                                            .replace(" + ", ",")))
                            .limit(12)
                            .collect(Collectors.joining(" + "))
                    + (byNumber.size() > 12 ? " …" : "");
        }
    }
}
