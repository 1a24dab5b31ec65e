package app.loculus.core.edit.highlight;

import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;

/** Shows off as the profiles say again. */
public record ForgetHighlight() implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.put(PartKinds.HIGHLIGHT, Whole.SHOW, HighlightLook.PROFILES);
        draft.say("Highlight is what the profiles say");
    }
}
