package app.loculus.core.edit.hand;

import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Lays a pattern on what is in hand. */
public record Arrange(Pattern pattern) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.held();
        Hand hand = draft.hand().arranged(pattern);
        draft.hold(hand);
        draft.say(pattern.words() + ": " + hand.selection().size() + " of "
                + hand.base().size() + " in "
                + Numbers.count(hand.selection().steps().size(), "step"));
    }
}
