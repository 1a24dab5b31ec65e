package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Lays a pattern on the selection. */
public record Arrange(Pattern pattern) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        int steps = draft.held().steps().size();
        Hand hand = draft.hand().arranged(pattern, draft.show().patch());
        if (hand.selection().isEmpty()) {
            throw Refusal.of(
                    "selection.pattern",
                    "pattern",
                    "“" + pattern.words() + "” takes nothing: " + Numbers.count(steps, "step")
                            + (steps == 1 ? " is" : " are") + " selected.",
                    WayOut.advice("Begin at a step from 1 to " + steps + "."));
        }
        draft.hold(hand);
        int held = hand.selection().size();
        // Whole fixtures that were opened into cells are not what the cells are counted of.
        boolean opened = hand.patterns().stream().anyMatch(Pattern.Opened.class::isInstance);
        draft.say(pattern.words() + ": "
                + (opened
                        ? Numbers.count(held, "unit")
                        : held + " of " + hand.base().size()) + " in "
                + Numbers.count(hand.selection().steps().size(), "step"));
    }
}
