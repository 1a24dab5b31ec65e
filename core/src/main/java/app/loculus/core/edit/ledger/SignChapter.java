package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.Signature;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;

/** Puts a name to a chapter. */
public record SignChapter(Signature signature) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.put(PartKinds.SIGNATURES, signature);
        draft.say(signature.chapter().words() + " is signed by " + signature.by()
                + (signature.open() == 0 ? "" : ", with " + Numbers.count(signature.open(), "finding") + " open"));
    }
}
