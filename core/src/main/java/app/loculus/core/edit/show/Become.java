package app.loculus.core.edit.show;

import app.loculus.core.show.Differences;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Universes;

/**
 * Makes the show what another one is, part by part, as one edit that can be taken back. What sends outside does so only
 * where it does so now, and which show it is stays.
 *
 * @param words what that is, for the history
 */
public record Become(Show target, String words) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show now = draft.show();
        draft.say(words);
        Show next = Universes.asNow(target, now, draft::say);
        Differences.between(now, next).changes().stream()
                .filter(change -> change.kind() != PartKinds.IDENTITY)
                .forEach(draft::change);
        Differences.words(now, next).forEach(draft::say);
    }
}
