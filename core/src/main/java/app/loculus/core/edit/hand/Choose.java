package app.loculus.core.edit.hand;

import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Takes a selection in hand. */
public record Choose(Selection selection) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.hold(draft.hand().choosing(selection));
        draft.say(selection.isEmpty() ? "Nothing in hand" : "Holds " + Numbers.count(selection.size(), "unit"));
    }
}
