package app.loculus.core.edit.look;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
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

/**
 * Takes what is touched into a look, and lets go of it selected: the look has it now. One that is open becomes what is in
 * hand; any other keeps what is not touched.
 */
public record UpdateLook(LookId look) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Look before = show.look(look);
        draft.reads(PartKinds.LOOKS, look);
        boolean open = show.get(PartKinds.OPENED, Whole.SHOW).look().equals(Optional.of(look));
        Map<UnitId, UnitValues> touched = Taking.TOUCHED.values(draft);
        if (touched.isEmpty() && !open) {
            throw Refusal.of(
                    "look.nothing",
                    "look",
                    "Nothing is touched, so there is nothing to update it with.",
                    WayOut.advice("Change values first."));
        }
        Map<UnitId, UnitValues> after =
                open ? touched : RecordLook.after(draft, before, RecordLook.Onto.MERGE, touched);
        draft.put(PartKinds.LOOKS, before.holding(after));
        draft.setAll(left(draft, touched));
        OpenLook.closed(draft, look);
        draft.say((open ? "Saves the changes into " : "Updates ") + LookHolders.words(show, before) + ": "
                + LookDifference.of(show, before.values(), after).words());
        String carried = Carried.words(show, before, before.values(), after);
        if (!carried.isEmpty()) {
            draft.say(carried);
        }
        String plain = Plain.words(show, after);
        if (!plain.isEmpty()) {
            draft.say(plain);
        }
        if (!touched.isEmpty()) {
            draft.say("Released as working values: " + Numbers.count(touched.size(), "unit"));
        }
    }

    /** Working values without those that the look has now, and without what those alone needed. */
    private static Map<UnitId, UnitValues> left(Draft draft, Map<UnitId, UnitValues> taken) {
        Show show = draft.show();
        Map<UnitId, UnitValues> own = new LinkedHashMap<>();
        taken.keySet().stream()
                .map(UnitId::fixture)
                .distinct()
                .map(f -> UnitId.whole(f))
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .forEach(u -> own.put(u, without(show.programmer().of(u), taken.get(u))));
        Map<UnitId, UnitValues> needed = draft.companions().needed(own);
        own.replaceAll((unit, values) -> needed.getOrDefault(unit, UnitValues.NONE));
        own.entrySet().removeIf(e -> e.getValue().equals(show.programmer().of(e.getKey())));
        return own;
    }

    private static UnitValues without(UnitValues values, UnitValues taken) {
        Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
        if (taken != null) {
            left.keySet().removeAll(taken.byAttribute().keySet());
        }
        return new UnitValues(left);
    }
}
