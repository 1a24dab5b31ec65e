package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.programmer.Hand;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.OptionalInt;

/**
 * Takes patterns off the selection: all of them, so that everything they took from is selected again, or one.
 *
 * @param pattern which one, from 0; all when absent
 */
public record Whole(OptionalInt pattern) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Hand hand = draft.hand();
        if (pattern.isPresent() && pattern.getAsInt() >= hand.patterns().size()) {
            throw Refusal.of("selection.pattern", "pattern", "There is no such pattern on the selection.");
        }
        Hand whole = pattern.isPresent()
                ? hand.without(pattern.getAsInt(), draft.show().patch())
                : hand.whole();
        draft.hold(whole);
        draft.say("Selects " + Numbers.count(whole.selection().size(), "unit") + " again");
    }
}
