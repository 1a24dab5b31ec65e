package app.loculus.core.check;

import app.loculus.core.ledger.PaperField;
import java.util.Optional;

/**
 * One thing in which the paper and the show do not agree.
 *
 * @param number the show's number for the fixture, or the paper's where the show has none
 * @param field what differs; empty when the whole fixture is missing or extra
 * @param line line of the paper, 0 when it is not on the paper
 * @param ours what the show has, empty for nothing
 * @param theirs what the paper says, empty for nothing
 * @param slip what probably happened, when it looks like a slip
 * @param hindrance why the paper's word cannot be taken; empty when it can
 */
public record Difference(
        int number,
        Kind kind,
        Optional<PaperField> field,
        int line,
        String ours,
        String theirs,
        Optional<String> slip,
        Optional<String> hindrance) {

    /** How they differ. */
    public enum Kind {
        /** On the paper, not in the show. */
        MISSING,
        /** In the show, not on the paper. */
        EXTRA,
        /** Twice on the paper. */
        DOUBLED,
        /** In both, with another value. */
        DIFFERENT,
        /** In neither, though its neighbours are. */
        HOLE
    }

    /** Names it in a request; unique within one comparison. */
    public String key() {
        return number + " " + kind + field.map(f -> " " + f).orElse("") + (kind == Kind.DOUBLED ? " " + line : "");
    }

    public boolean takeable() {
        return hindrance.isEmpty() && kind != Kind.DOUBLED && kind != Kind.HOLE;
    }
}
