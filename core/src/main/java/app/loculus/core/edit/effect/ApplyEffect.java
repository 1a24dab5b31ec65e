package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.Optional;

/**
 * Moves the selection by an effect.
 *
 * @param rate in place of its own
 * @param size in place of its own
 */
public record ApplyEffect(EffectId effect, Optional<Double> rate, Optional<Double> size) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Effect applied = draft.show().effect(effect).orElseThrow();
        draft.reads(PartKinds.EFFECTS, effect);
        rate.ifPresent(Use::checkRate);
        size.ifPresent(Use::checkSize);
        if (size.isPresent() && !applied.sized()) {
            throw Refusal.of("effect.size", "size", applied + " goes through palettes and has no size of its own.");
        }
        Laying.over(draft, applied, rate, size);
    }
}
