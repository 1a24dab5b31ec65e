package app.loculus.app.api.edits;

import app.loculus.core.edit.group.GroupFinder;
import app.loculus.core.edit.palette.PaletteFinder;
import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.unit.Limits;
import java.util.List;

/** Finds what a request names in the show as it is when its turn comes, and notes that the edit goes by it. */
public final class Named {

    private Named() {}

    static List<FixtureId> fixtures(Draft draft, List<Integer> numbers) {
        if (numbers.size() > Limits.FIXTURES) {
            throw Refusal.of("edit.many", "numbers", numbers.size() + " numbers are too many.");
        }
        return numbers.stream().distinct().map(n -> fixture(draft, n)).toList();
    }

    static FixtureId fixture(Draft draft, int number) {
        FixtureId id = draft.show().patch().number(number).id();
        draft.reads(id);
        return id;
    }

    static Selection units(Draft draft, List<String> labels) {
        return Selection.of(labels.stream().map(label -> unit(draft, label)).toList());
    }

    private static UnitId unit(Draft draft, String label) {
        if (label == null || !label.matches("\\d{1,6}(\\.\\d{1,4})?")) {
            throw Refusal.of("selection.unit", "units", "“" + label + "” is no fixture such as 12 or 12.3.");
        }
        String[] parts = label.split("\\.");
        UnitId unit = new UnitId(
                fixture(draft, Integer.parseInt(parts[0])), parts.length > 1 ? Integer.parseInt(parts[1]) : 0);
        if (unit.cell()
                > draft.show()
                        .patch()
                        .modeOf(draft.show().patch().get(unit.fixture()))
                        .cells()) {
            throw Refusal.of("selection.cell", "units", "There is no cell " + label + ".");
        }
        return unit;
    }

    static Group group(Draft draft, int number) {
        Group group = GroupFinder.number(draft.show(), number);
        draft.reads(PartKinds.GROUPS, group.id());
        return group;
    }

    static Palette palette(Draft draft, String kind, int number) {
        Palette palette = PaletteFinder.number(draft.show(), kind(kind), number);
        draft.reads(PartKinds.PALETTES, palette.id());
        return palette;
    }

    public static Kind kind(String word) {
        return Kind.parse(word == null ? "" : word);
    }
}
