package app.loculus.core.edit.look;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.show.Draft;
import app.loculus.core.show.LookHolders;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Takes what units have out of a look. @param what of these kinds and attributes alone */
public record TakeOutOfLook(LookId look, Choice units, Taking what) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        Look before = show.look(look);
        draft.reads(PartKinds.LOOKS, look);
        Set<UnitId> out = draft.chosen(units).units().stream()
                .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                .collect(Collectors.toSet());
        Map<UnitId, UnitValues> after = draft.companions().needed(without(show, before.values(), out, what));
        if (after.equals(before.values())) {
            throw Refusal.of("look.nobody", "selection", LookHolders.words(show, before) + " holds nothing of these.");
        }
        draft.put(PartKinds.LOOKS, before.holding(after));
        draft.say("Takes out of " + LookHolders.words(show, before) + ": "
                + LookDifference.of(show, before.values(), after).words());
    }

    /** The values that are left; what only came along stays with them. */
    static Map<UnitId, UnitValues> without(Show show, Map<UnitId, UnitValues> all, Set<UnitId> units, Taking what) {
        Map<UnitId, UnitValues> after = new LinkedHashMap<>();
        all.forEach((unit, values) -> {
            Map<Attribute, Touched> left = new LinkedHashMap<>(values.byAttribute());
            if (units.contains(unit)) {
                what.of(show, unit, values).forEach((attribute, touched) -> {
                    if (!touched.companion()) {
                        left.remove(attribute);
                    }
                });
            }
            after.put(unit, left.size() == values.byAttribute().size() ? values : new UnitValues(left, values.asked()));
        });
        return after;
    }
}
