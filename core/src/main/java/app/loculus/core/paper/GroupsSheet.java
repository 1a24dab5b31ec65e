package app.loculus.core.paper;

import app.loculus.core.group.Group;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The groups of a show: what each is made of, in words, and who that is now, in order. */
public final class GroupsSheet {

    private static final List<Sheet.Column> COLUMNS = List.of(
            Sheet.Column.number("No.", .6),
            new Sheet.Column("Name", 2.2),
            new Sheet.Column("Made of", 3),
            new Sheet.Column("Members, in order", 3.4),
            new Sheet.Column("Units", 1.3),
            new Sheet.Column("Note", 1.6));

    /** More plans nobody turns over. */
    private static final int MOST_DRAWN = 60;

    private GroupsSheet() {}

    /** With a small plan of each below, when there are few enough of them to be looked at. */
    public static Sheet of(Show show) {
        List<List<String>> rows = show.groups().stream().map(g -> row(show, g)).toList();
        List<Sheet.Section> sections = new ArrayList<>(List.of(new Sheet.Section("", "", false, rows)));
        List<Figure.Captioned> plans = show.groups().stream()
                .filter(g -> !g.content().choice().changesWithLight())
                .limit(MOST_DRAWN)
                .map(g -> new Figure.Captioned(
                        g.number() + " " + g.name(),
                        Plans.of(show, show.units(g).units())))
                .filter(c -> !c.plan().dots().isEmpty())
                .toList();
        for (int i = 0; i < plans.size(); i += Figure.PLANS_ACROSS) {
            List<Figure.Captioned> line = plans.subList(i, Math.min(plans.size(), i + Figure.PLANS_ACROSS));
            sections.add(new Sheet.Section(
                    i == 0 ? "Where they are" : "", "", false, List.of(), Optional.of(new Figure.Plans(line)), false));
        }
        return new Sheet("Groups", Numbers.count(rows.size(), "group"), COLUMNS, sections);
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
