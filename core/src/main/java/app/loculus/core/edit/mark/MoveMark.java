package app.loculus.core.edit.mark;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;

/** Moves a mark by so much, in metres. */
public record MoveMark(String name, Vector3 by) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Mark mark = MarkFinder.named(draft, name);
        SetMark.move(draft, draft.show(), mark, mark.at().plus(by));
    }
}
