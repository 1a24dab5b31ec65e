package app.loculus.core.check;

import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import java.util.Optional;

/**
 * A row of the paper, understood as far as it can be.
 *
 * @param number empty when it is no number
 * @param typeTrouble why the profile is not understood
 * @param starts none inside for a row without an address; empty when it is not understood
 */
record PaperRow(
        HookupRow row,
        Optional<Integer> number,
        Optional<Profiles.Type> type,
        Optional<String> typeTrouble,
        Optional<Starts> starts) {

    static PaperRow of(HookupRow row, Profiles profiles) {
        Optional<Profiles.Type> type = Optional.empty();
        Optional<String> trouble = Optional.empty();
        try {
            type = Optional.of(
                    row.mode().isBlank() ? profiles.type(row.profile()) : profiles.type(row.profile(), row.mode()));
        } catch (Refusal refusal) {
            trouble = Optional.of(refusal.getMessage());
        }
        return new PaperRow(row, number(row.number()), type, trouble, starts(row.address()));
    }

    static Optional<Integer> number(String text) {
        boolean fine = text.strip().matches("\\d{1,6}") && Integer.parseInt(text.strip()) > 0;
        return fine && Integer.parseInt(text.strip()) <= Fixture.LAST_NUMBER
                ? Optional.of(Integer.parseInt(text.strip()))
                : Optional.empty();
    }

    private static Optional<Starts> starts(String text) {
        try {
            return Optional.of(Starts.parse(text));
        } catch (Refusal refusal) {
            return Optional.empty();
        }
    }

    String typeText() {
        return row.profile().strip()
                + (row.mode().isBlank() ? "" : " / " + row.mode().strip());
    }

    /** What the paper says of a fixture nobody has. */
    String words() {
        return typeText()
                + (row.address().isBlank() ? "" : " at " + row.address().strip());
    }
}
