package app.loculus.core.check;

import app.loculus.core.edit.patch.TakeIn;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.problem.Problem;
import java.util.List;
import java.util.Optional;

/**
 * What becomes of one row.
 *
 * @param landing what would be taken in; empty when the row cannot be right
 * @param problems what is wrong with it, refusals for a row that is left out
 */
public record RowVerdict(HookupRow row, Optional<TakeIn.NewFixture> landing, List<Problem> problems) {

    public RowVerdict {
        problems = List.copyOf(problems);
    }
}
