package app.loculus.core.show;

import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Pattern;

/** Lays a pattern on what is in hand. */
public record Arrange(Pattern pattern) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.held();
        Hand hand = draft.show().hand().arranged(pattern);
        draft.hold(hand);
        draft.say(pattern.words() + ": " + hand.selection().size() + " of "
                + hand.base().size() + " in "
                + Numbers.count(hand.selection().steps().size(), "step"));
    }
}
