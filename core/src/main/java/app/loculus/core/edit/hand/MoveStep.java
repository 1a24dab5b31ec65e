package app.loculus.core.edit.hand;

import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts one step of the selection elsewhere in the order; the order is then one of its own, without patterns.
 *
 * @param from its place now, from 1; @param to its place afterwards
 */
public record MoveStep(int from, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Step> steps = new ArrayList<>(draft.held().steps());
        if (from < 1 || from > steps.size() || to < 1 || to > steps.size()) {
            throw Refusal.of(
                    "selection.order", "selection", "There are " + Numbers.count(steps.size(), "step") + " selected.");
        }
        steps.add(to - 1, steps.remove(from - 1));
        Selection ordered = new Selection(steps);
        draft.hold(draft.hand().ordered(ordered));
        draft.say("Step " + from + " is step " + to + " now");
    }
}
