package app.loculus.core.edit.mark;

import app.loculus.core.mark.Mark;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;

/** Gives a mark another name. */
public record RenameMark(String name, String to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Mark mark = MarkFinder.named(draft, name);
        draft.put(PartKinds.MARKS, mark.named(to));
        draft.say("Mark " + mark + " is called “" + to + "”");
    }
}
