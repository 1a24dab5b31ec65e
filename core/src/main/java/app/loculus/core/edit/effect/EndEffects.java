package app.loculus.core.edit.effect;

import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.EffectId;
import java.util.Optional;

/** Ends effects on the selection; what they moved around stays set. @param effect absent: all of them */
public record EndEffects(Optional<EffectId> effect) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Touching touching = draft.touching();
        int ended = 0;
        for (UnitId unit : draft.held().units()) {
            ended += touching.still(unit, e -> effect.map(e::equals).orElse(true)) ? 1 : 0;
        }
        String which = effect.flatMap(e -> draft.show().effect(e))
                .map(Object::toString)
                .orElse("an effect");
        if (ended == 0) {
            throw Refusal.of("effect.still", "effect", "Nothing selected is moved by " + which + ".");
        }
        draft.setAll(touching.changed());
        draft.say(
                "No longer moved by " + (effect.isPresent() ? which : "effects") + ": " + Numbers.count(ended, "unit"));
    }
}
