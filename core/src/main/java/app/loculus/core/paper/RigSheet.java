package app.loculus.core.paper;

import app.loculus.core.carry.Fate;
import app.loculus.core.carry.Pair;
import app.loculus.core.carry.Pairing;
import app.loculus.core.carry.RigReport;
import app.loculus.core.carry.Verdict;
import app.loculus.core.patch.Fixture;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** What moving a show to another rig does, and which fixture stands for which. */
public final class RigSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            new Sheet.Column("Part", 3),
            new Sheet.Column("What becomes of it", 2),
            new Sheet.Column("Units", 1),
            new Sheet.Column("Which", 3),
            new Sheet.Column("How", 5));

    private RigSheet() {}

    public static Sheet of(Show from, Show rig, Pairing pairing, RigReport report) {
        List<Sheet.Section> sections = new ArrayList<>();
        for (Fate.Sort sort : Fate.Sort.values()) {
            List<Fate> fates =
                    report.fates().stream().filter(f -> f.sort() == sort).toList();
            if (!fates.isEmpty()) {
                sections.add(new Sheet.Section(
                        sort.words(),
                        counted(report, sort),
                        false,
                        fates.stream().flatMap(f -> rows(f).stream()).toList()));
            }
        }
        sections.add(new Sheet.Section(
                "Fixtures",
                Numbers.count(pairing.pairs().size(), "pair"),
                false,
                pairing.pairs().stream().map(p -> row(from, rig, p)).toList()));
        String words = "“" + from.name() + "” on “" + rig.name() + "”"
                + report.said().stream().map(s -> ". " + s).collect(Collectors.joining());
        return new Sheet("Another rig", words, true, COLUMNS, sections);
    }

    private static String counted(RigReport report, Fate.Sort sort) {
        return Arrays.stream(Verdict.values())
                .filter(v -> report.count(sort, v) > 0)
                .map(v -> report.count(sort, v) + " "
                        + (v == Verdict.CARRIES && report.count(sort, v) != 1 ? "carry" : v.words()))
                .collect(Collectors.joining(" · "));
    }

    private static List<List<String>> rows(Fate fate) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(fate.label(), fate.worst().words(), fate.units() == 0 ? "" : fate.units() + "", "", ""));
        fate.lines()
                .forEach(l -> rows.add(
                        List.of("", l.verdict().words(), l.units() == 0 ? "" : l.units() + "", l.types(), l.words())));
        return rows;
    }

    private static List<String> row(Show from, Show rig, Pair pair) {
        return List.of(
                called(from, from.patch().get(pair.was())),
                pair.by().sure() ? "" : "look at it",
                "",
                called(rig, rig.patch().get(pair.is())),
                pair.by().words());
    }

    private static String called(Show show, Fixture fixture) {
        return fixture.number() + " " + show.patch().profileOf(fixture).name();
    }
}
