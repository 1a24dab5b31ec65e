package app.loculus.core.edit.look;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Opened;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Takes the values of a look selected, to be changed and put back; what was set before is cleared. */
public record OpenLook(LookId look) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Look opened = show.look(look);
        draft.reads(PartKinds.LOOKS, look);
        Map<UnitId, UnitValues> values = cleared(show);
        int before = values.size();
        values.putAll(opened.values());
        draft.setAll(values);
        draft.put(PartKinds.OPENED, Whole.SHOW, new Opened(Optional.of(look)));
        draft.say("Opens " + LookHolders.words(show, opened) + ": "
                + Numbers.count(opened.values().size(), "unit") + "; save the changes or discard them");
        if (before > 0) {
            draft.say("Working values of " + Numbers.count(before, "unit") + " are cleared for it");
        }
    }

    /** Nobody's values any more. */
    static Map<UnitId, UnitValues> cleared(Show show) {
        Map<UnitId, UnitValues> none = new LinkedHashMap<>();
        show.programmer().values().keySet().forEach(u -> none.put(u, UnitValues.NONE));
        return none;
    }

    /** Nothing is open any more, if that was. */
    static void closed(Draft draft, LookId look) {
        if (draft.show().get(PartKinds.OPENED, Whole.SHOW).look().equals(Optional.of(look))) {
            draft.put(PartKinds.OPENED, Whole.SHOW, Opened.NONE);
        }
    }

    /** Releases the look that is open without putting it back. */
    public record Close() implements ShowEdit {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            draft.put(PartKinds.OPENED, Whole.SHOW, Opened.NONE);
            draft.setAll(cleared(show));
            draft.say(
                    show.get(PartKinds.OPENED, Whole.SHOW).look().isPresent()
                            ? "Closes the look; it stays as it was recorded"
                            : "No look is open");
        }
    }
}
