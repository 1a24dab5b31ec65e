package app.loculus.core.edit.look;

import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;

/** Gives a look, a list or a submaster another name. */
public record RenameKept(Of of, int number, String name) implements ShowEdit {

    /** What is renamed. */
    public enum Of {
        LOOK,
        LIST,
        SUBMASTER
    }

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        switch (of) {
            case LOOK ->
                draft.put(PartKinds.LOOKS, LookFinder.look(show, number).named(name));
            case LIST ->
                draft.put(PartKinds.LISTS, LookFinder.list(show, number).named(name));
            case SUBMASTER ->
                draft.put(
                        PartKinds.SUBMASTERS, LookFinder.submaster(show, number).named(name));
        }
        draft.say("Calls " + of.name().toLowerCase(java.util.Locale.ROOT) + " " + number + " “" + name.strip() + "”");
    }
}
