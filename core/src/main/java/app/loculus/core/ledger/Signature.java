package app.loculus.core.ledger;

import app.loculus.core.unit.Limits;

/**
 * A name put to a chapter: it is ready.
 *
 * @param by the name, as they wrote it
 * @param print of what the chapter was made of then; another one says that it was changed since
 * @param open how many findings were open when it was signed
 */
public record Signature(ChapterName chapter, String by, String on, String print, int open) {

    public Signature {
        by = Limits.name("signature.name", "name", by);
    }

    @Override
    public String toString() {
        return chapter.words() + ", signed by " + by;
    }
}
