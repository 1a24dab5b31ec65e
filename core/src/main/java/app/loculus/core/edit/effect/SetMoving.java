package app.loculus.core.edit.effect;

import app.loculus.core.effect.Along;
import app.loculus.core.effect.Effect;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/** Moves the selection; what was set so can be recorded as an effect. @param rate cycles a minute */
public record SetMoving(List<Asked> movements, double rate, Along along) implements ShowEdit {

    /** Rounds a minute where nothing is said. */
    public static final double USUAL_RATE = 30;

    @Override
    public void on(Draft draft) {
        draft.held();
        Effect effect = new Effect(
                draft.show().next(PartKinds.EFFECTS),
                Optional.empty(),
                "",
                movements.stream().map(m -> m.movement(draft)).toList(),
                rate,
                along);
        draft.put(PartKinds.EFFECTS, effect);
        Laying.over(draft, effect, Optional.empty(), Optional.empty());
    }
}
