package app.loculus.core.edit.hand;

import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;

/** Shows off the selection, or stops doing so. */
public record Highlight(boolean on) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.hold(draft.hand().highlighting(on));
        draft.say(on ? "Highlight on" : "Highlight off");
    }
}
