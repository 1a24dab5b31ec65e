package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;

/**
 * Takes the next or the previous share of the pattern; without a pattern, the next or previous unit of the base.
 *
 * @param by 1 for next, −1 for previous
 */
public record StepShare(int by) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Hand hand = draft.hand();
        if (hand.base().isEmpty()) {
            throw Refusal.of(
                    "selection.empty",
                    "selection",
                    "There is nothing to step through.",
                    WayOut.advice("Choose fixtures first."));
        }
        Hand next = hand.shares() > 1
                ? hand.stepped(by)
                : hand.arranged(new app.loculus.core.selection.Pattern.EveryNth(
                        hand.base().steps().size(),
                        by > 0 ? 1 : hand.base().steps().size()));
        draft.hold(next);
        draft.say("Share " + (next.share() + 1) + " of " + next.shares());
    }
}
