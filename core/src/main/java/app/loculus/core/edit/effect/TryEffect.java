package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** An effect alone on some units at full light, to be looked at; the outcome is thrown away. */
public record TryEffect(Effect effect, List<UnitId> units) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Map<UnitId, UnitValues> none = new LinkedHashMap<>();
        draft.show().programmer().values().keySet().forEach(u -> none.put(u, UnitValues.NONE));
        draft.setAll(none);
        draft.hold(draft.hand().choosing(Selection.of(units)).highlighting(false));
        Touching touching = draft.touching();
        units.forEach(u -> touching.set(u, Attribute.DIMMER, AttributeValue.level(1)));
        draft.setAll(touching.changed());
        draft.put(PartKinds.EFFECTS, effect);
        Laying.over(draft, effect, Optional.empty(), Optional.empty());
    }
}
