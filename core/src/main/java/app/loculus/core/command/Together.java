package app.loculus.core.command;

import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;

/**
 * Several edits as one. Each is made when its turn comes, from the show as the ones before it leave it.
 */
record Together(List<ShowEdit> edits) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        edits.forEach(edit -> edit.on(draft));
    }
}
