package app.loculus.core.edit.hand;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Taken;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.Optional;

/**
 * Takes the next or the previous share of the last pattern that leaves a rest; without one, goes through the steps one
 * by one. A group that was just recalled is stepped by the pattern it remembers. After the last comes the first.
 *
 * @param by 1 for next, −1 for previous
 */
public record StepShare(int by) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Hand hand = opened(draft);
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

    /** What is selected; a recalled group with its own patterns laid open, where one of them leaves a rest. */
    private static Hand opened(Draft draft) {
        Hand hand = draft.hand();
        if (!hand.patterns().isEmpty() || !(hand.asked() instanceof Choice.OfGroup of)) {
            return hand;
        }
        return draft.show()
                .group(of.group())
                .flatMap(StepShare::turnable)
                .map(r -> hand.opened(
                        r.base(),
                        draft.chosen(r.base()),
                        r.patterns(),
                        draft.show().patch()))
                .orElse(hand);
    }

    private static Optional<GroupContent.Recipe> turnable(Group group) {
        return group.content() instanceof GroupContent.Recipe recipe
                        && recipe.patterns().stream().anyMatch(Pattern.Sharing.class::isInstance)
                ? Optional.of(recipe)
                : Optional.empty();
    }
}
