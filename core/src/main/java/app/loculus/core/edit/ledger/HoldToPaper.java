package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.Paperwork;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Whole;
import app.loculus.core.unit.Numbers;

/** Holds the patch to a paper from now on, instead of to the one before. */
public record HoldToPaper(Paperwork paper) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.put(PartKinds.PAPERWORK, Whole.SHOW, paper);
        draft.say(
                paper.none()
                        ? "The patch is held to no paper any more"
                        : "The patch is held to " + paper + ", "
                                + Numbers.count(paper.rows().size(), "row"));
    }
}
