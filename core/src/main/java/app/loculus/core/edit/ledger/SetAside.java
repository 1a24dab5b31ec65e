package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.Aside;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;

/** Leaves a finding as it is, with a reason. */
public record SetAside(Aside aside) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.put(PartKinds.ASIDES, aside);
        draft.say("Sets aside: " + aside.words() + (aside.reason().isEmpty() ? "" : " “" + aside.reason() + "”"));
    }
}
