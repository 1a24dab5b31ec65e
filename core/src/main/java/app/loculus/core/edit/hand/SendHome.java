package app.loculus.core.edit.hand;

import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Kind;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.Optional;

/** Sends what is in hand home, one kind of it or everything, and touches it. */
public record SendHome(Optional<Kind> kind) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Touching touching = draft.touching();
        int sent = 0;
        for (UnitId unit : draft.held().units()) {
            sent += touching.home(unit, kind) ? 1 : 0;
        }
        if (sent == 0) {
            throw Refusal.of(
                    "value.nobody",
                    "kind",
                    "Nothing in hand has anything of " + kind.map(Kind::word).orElse("its own") + ".");
        }
        draft.setAll(touching.changed());
        draft.say(
                "Sends " + kind.map(Kind::word).orElse("everything") + " of " + Numbers.count(sent, "unit") + " home");
    }
}
