package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Taken;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;

/**
 * Takes the next or the previous share of the last pattern that leaves a rest; without one, goes through the steps one
 * by one. After the last comes the first.
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
        Hand next = hand.stepped(by, draft.show().patch());
        draft.hold(next);
        Taken taken = next.taken(draft.show().patch());
        draft.say("Share " + (taken.share() + 1) + " of " + taken.shares());
    }
}
