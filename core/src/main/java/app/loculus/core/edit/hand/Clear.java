package app.loculus.core.edit.hand;

import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Lets go: first of the selection, then of the values.
 *
 * @param all both at once
 */
public record Clear(boolean all) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Hand hand = draft.hand();
        boolean holding = !hand.selection().isEmpty();
        if (holding || hand.highlight()) {
            draft.hold(hand.choosing(Selection.EMPTY).highlighting(false));
            draft.say("Releases " + Numbers.count(hand.selection().size(), "unit"));
        }
        if (all || !holding) {
            clearValues(draft);
        }
    }

    private static void clearValues(Draft draft) {
        Map<UnitId, UnitValues> none = new LinkedHashMap<>();
        draft.show().programmer().values().keySet().forEach(unit -> none.put(unit, UnitValues.NONE));
        draft.setAll(none);
        draft.say("Clears the values of " + Numbers.count(none.size(), "unit"));
    }
}
