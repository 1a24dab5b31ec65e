package app.loculus.core.show;

import app.loculus.core.selection.Selection;

/** Takes a selection in hand. */
public record Choose(Selection selection) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.hold(draft.show().hand().choosing(selection));
        draft.say(selection.isEmpty() ? "Nothing in hand" : "Holds " + Numbers.count(selection.size(), "unit"));
    }
}
