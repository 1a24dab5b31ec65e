package app.loculus.core.edit.mark;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;

/** Sets a mark, or moves the one of that name: everything that stands at it moves along. */
public record SetMark(String name, Vector3 at) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show before = draft.show();
        MarkFinder.find(before, name).ifPresentOrElse(mark -> move(draft, before, mark, at), () -> {
            Mark mark = new Mark(before.next(PartKinds.MARKS), name, at);
            draft.put(app.loculus.core.show.PartKinds.MARKS, mark);
            draft.say("Mark " + mark + " at " + Mark.text(at));
        });
    }

    static void move(Draft draft, Show before, Mark mark, Vector3 to) {
        Mark moved = mark.movedTo(to);
        draft.put(app.loculus.core.show.PartKinds.MARKS, moved);
        draft.say("Mark " + mark + ": " + Mark.text(mark.at()) + " → " + Mark.text(to));
        Standing.tell(draft, before, mark.id());
    }
}
