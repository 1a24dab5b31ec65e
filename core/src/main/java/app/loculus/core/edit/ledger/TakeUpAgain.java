package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;

/** Opens a finding again that was set aside. */
public record TakeUpAgain(FindingKey finding) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Aside aside = draft.show()
                .find(PartKinds.ASIDES, finding)
                .orElseThrow(() -> Refusal.of("aside.none", "finding", "That is not set aside any more."));
        draft.remove(PartKinds.ASIDES, finding);
        draft.say("Opens again: " + aside.words());
    }
}
