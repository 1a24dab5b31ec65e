package app.loculus.app.api.patch;

import app.loculus.core.check.Difference;
import app.loculus.core.check.MarkDifference;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.mark.Mark;
import java.util.Locale;

/** {@code kind} is missing, extra, doubled, different or hole; {@code field} is empty for a whole fixture. */
record DifferenceView(
        String key,
        int number,
        String kind,
        String field,
        int line,
        String ours,
        String theirs,
        String slip,
        String hindrance,
        boolean takeable) {

    static DifferenceView of(Difference d) {
        return new DifferenceView(
                d.key(),
                d.number(),
                d.kind().name().toLowerCase(Locale.ROOT),
                d.field().map(PaperField::word).orElse(""),
                d.line(),
                d.ours(),
                d.theirs(),
                d.slip().orElse(""),
                d.hindrance().orElse(""),
                d.takeable());
    }

    /** Marks have no number. */
    static DifferenceView of(MarkDifference d) {
        return new DifferenceView(
                d.key(),
                0,
                d.ours().isPresent() ? "different" : "missing",
                "mark",
                0,
                d.ours().map(m -> m.name() + " at " + Mark.text(m.at())).orElse(""),
                d.theirs().name() + " at " + Mark.text(d.theirs().at()),
                "",
                "",
                true);
    }
}
