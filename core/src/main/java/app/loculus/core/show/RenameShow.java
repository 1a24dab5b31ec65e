package app.loculus.core.show;

/** Gives the show another name. */
public record RenameShow(String name) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.rename(Names.checked(name));
        draft.say("The show is called “" + name + "”");
    }
}
