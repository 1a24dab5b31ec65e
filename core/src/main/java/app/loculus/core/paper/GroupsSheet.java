package app.loculus.core.paper;

import app.loculus.core.group.Group;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** The groups of a show: what each is made of, in words, and who that is now, in order. */
public final class GroupsSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            new Sheet.Column("No.", .6),
            new Sheet.Column("Name", 2.2),
            new Sheet.Column("Made of", 3),
            new Sheet.Column("Members, in order", 3.4),
            new Sheet.Column("Units", 1.3),
            new Sheet.Column("Note", 1.6));

    private GroupsSheet() {}

    public static Sheet of(Show show) {
        List<List<String>> rows = show.groups().stream().map(g -> row(show, g)).toList();
        return new Sheet(
                "Groups",
                Numbers.count(rows.size(), "group"),
                COLUMNS,
                List.of(new Sheet.Section("", "", false, rows)));
    }

    private static List<String> row(Show show, Group group) {
        Selection members = show.units(group);
        int units = members.units().size();
        int steps = members.steps().size();
        return List.of(
                String.valueOf(group.number()),
                group.name(),
                group.content().recipe() ? show.words(group.content().choice()) : "a fixed order",
                group.content().choice().changesWithLight()
                        ? "goes by what the lights do"
                        : inOrder(show, members.units()),
                units + (steps == units ? "" : " in " + Numbers.count(steps, "step")),
                group.note());
    }

    /** Fixtures and cells as they follow each other: {@code 101 thru 106 + 112 + 51.1 thru 51.4}. */
    static String inOrder(Show show, List<UnitId> units) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < units.size(); ) {
            int end = i;
            while (end + 1 < units.size() && follows(show, units.get(end), units.get(end + 1))) {
                end++;
            }
            text.append(i == 0 ? "" : " + ").append(show.label(units.get(i)));
            if (end > i) {
                text.append(end > i + 1 ? " thru " : " + ").append(show.label(units.get(end)));
            }
            i = end + 1;
        }
        return text.toString();
    }

    private static boolean follows(Show show, UnitId one, UnitId next) {
        int number = show.patch().get(one.fixture()).number();
        int after = show.patch().get(next.fixture()).number();
        return one.cell() == 0 && next.cell() == 0
                ? after == number + 1
                : one.cell() > 0 && after == number && next.cell() == one.cell() + 1;
    }
}
