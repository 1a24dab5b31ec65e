package app.loculus.core.patch;

import app.loculus.core.unit.Limits;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * How a fixture answered when it was brought up.
 *
 * @param note what the person saw, may be empty
 */
public record BringUp(Answer answer, String note) {

    public BringUp {
        note = note == null ? "" : Limits.text("patch.text", "note", note, Limits.NOTES);
    }

    public static final BringUp NOT_TRIED = new BringUp(Answer.NOT_TRIED, "");

    /** What a fixture did when it was asked for light. */
    public enum Answer {
        NOT_TRIED,
        ANSWERED,
        WRONG,
        DEAD;

        public String word() {
            return this == NOT_TRIED ? "not tried" : name().toLowerCase(Locale.ROOT);
        }

        public static Optional<Answer> of(String word) {
            return Arrays.stream(values())
                    .filter(a -> a.word().equalsIgnoreCase(word.strip()))
                    .findFirst();
        }
    }

    public boolean tried() {
        return answer != Answer.NOT_TRIED;
    }
}
