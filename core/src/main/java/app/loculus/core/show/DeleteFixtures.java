package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Removes fixtures for good and names what they drop out of. */
public record DeleteFixtures(List<FixtureId> fixtures) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        List<UnitId> units = fixtures.stream()
                .flatMap(id -> Touching.withCells(show.patch(), UnitId.whole(id)).stream())
                .toList();
        Selection gone = Selection.of(units);
        List<String> losses = new ArrayList<>();
        show.groups().forEach(g -> leave(draft, g, gone, losses));
        show.palettes().forEach(p -> leave(draft, p, units, losses));
        dropValues(draft, show, units);
        draft.hold(show.hand().without(gone));
        fixtures.forEach(
                id -> draft.change(new Change.OfFixture(id, show.patch().find(id), java.util.Optional.empty())));
        draft.say("Deletes " + Numbers.count(fixtures.size(), "fixture")
                + (losses.isEmpty()
                        ? "; nothing else refers to them"
                        : "; they drop out of " + String.join(", ", losses)));
    }

    private static void leave(Draft draft, Group group, Selection gone, List<String> losses) {
        Group without = group.holding(group.content().filtered(s -> s.minus(gone)));
        if (!without.equals(group)) {
            draft.put(without);
            losses.add("group " + group.number() + " “" + group.name() + "”");
        }
    }

    private static void leave(Draft draft, Palette palette, List<UnitId> units, List<String> losses) {
        Palette without = palette.without(units);
        if (!without.equals(palette)) {
            draft.put(without);
            losses.add(palette + " ("
                    + (palette.entries().size() - without.entries().size()) + " values)");
        }
    }

    private static void dropValues(Draft draft, Show show, List<UnitId> units) {
        Map<UnitId, UnitValues> dropped = new LinkedHashMap<>();
        units.stream().filter(u -> !show.programmer().of(u).isEmpty()).forEach(u -> dropped.put(u, UnitValues.NONE));
        draft.setAll(dropped);
    }
}
