package app.loculus.core.edit.show;

import app.loculus.core.show.Differences;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;

/**
 * Makes the show what another one is, part by part, as one edit that can be taken back.
 *
 * @param words what that is, for the history
 */
public record Become(Show target, String words) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show now = draft.show();
        Differences.between(now, target).changes().forEach(draft::change);
        draft.say(words);
        Differences.words(now, target).forEach(draft::say);
    }
}
