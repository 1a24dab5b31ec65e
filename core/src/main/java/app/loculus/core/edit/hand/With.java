package app.loculus.core.edit.hand;

import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;

/** Does something with lights as if they were selected; the selection stays there. */
public record With(Selection units, ShowEdit edit) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Hand held = draft.hand();
        draft.hold(held.choosing(units));
        edit.on(draft);
        draft.hold(held);
    }
}
