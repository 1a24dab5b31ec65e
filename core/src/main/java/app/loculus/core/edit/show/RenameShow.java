package app.loculus.core.edit.show;

import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;

/** Gives the show another name. */
public record RenameShow(String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.put(PartKinds.NAME, Whole.SHOW, Names.checked(name));
        draft.say("The show is called “" + name + "”");
    }
}
