package app.loculus.core.show;

/** Shows off what is in hand, or stops doing so. */
public record Highlight(boolean on) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.hold(draft.show().hand().highlighting(on));
        draft.say(on ? "Highlight on" : "Highlight off");
    }
}
