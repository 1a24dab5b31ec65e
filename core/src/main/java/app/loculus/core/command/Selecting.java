package app.loculus.core.command;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import java.util.List;

/** Looks selections up in a show. */
final class Selecting {

    private final Draft draft;

    Selecting(Draft draft) {
        this.draft = draft;
    }

    Selection units(LineParser.SelectionContext context) {
        return draft.chosen(new Choices(draft).visit(context));
    }

    List<FixtureId> fixtures(LineParser.SelectionContext context) {
        return units(context).units().stream().map(UnitId::fixture).distinct().toList();
    }
}
