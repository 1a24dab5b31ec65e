package app.loculus.core.command;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.function.Function;
import org.antlr.v4.runtime.tree.RuleNode;

/** Makes the edits of one room's verbs; each looks the show up when its turn comes. Null for what is another room's. */
abstract class RoomClauses extends LineBaseVisitor<List<ShowEdit>> {

    @Override
    public List<ShowEdit> visitChildren(RuleNode node) {
        return null;
    }

    static List<ShowEdit> one(ShowEdit edit) {
        return List.of(edit);
    }

    /** An edit that needs the show; looked up when it is applied, so that refusals are placed in the text. */
    static List<ShowEdit> later(Function<Draft, ShowEdit> edit) {
        return List.of(draft -> edit.apply(draft).on(draft));
    }

    static List<ShowEdit> onFixtures(LineParser.SelectionContext selection, Function<List<FixtureId>, ShowEdit> edit) {
        return later(draft -> edit.apply(new Selecting(draft).fixtures(selection)));
    }
}
