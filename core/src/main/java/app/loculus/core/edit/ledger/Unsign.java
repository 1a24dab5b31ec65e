package app.loculus.core.edit.ledger;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.Signature;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;

/** Takes a name off a chapter again. */
public record Unsign(ChapterName chapter) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Signature signature = draft.show()
                .find(PartKinds.SIGNATURES, chapter)
                .orElseThrow(() -> Refusal.of("sign.none", "chapter", "Nobody has signed " + chapter.words() + "."));
        draft.remove(PartKinds.SIGNATURES, chapter);
        draft.say("Takes the name of " + signature.by() + " off " + chapter.words());
    }
}
