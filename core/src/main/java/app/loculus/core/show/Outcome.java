package app.loculus.core.show;

import app.loculus.core.problem.Problem;
import java.util.List;

/**
 * What an edit comes to.
 *
 * @param show the show after it; the show as it was when the edit is refused
 * @param delta what it changes; nothing when it is refused
 * @param reads what it went by beside that
 * @param words what it does, in plain sentences, the first one the shortest
 * @param called what history and undo call it
 * @param problems warnings of an accepted edit, or everything that refuses it
 */
public record Outcome(Show show, Delta delta, Reads reads, List<String> words, String called, List<Problem> problems) {

    /** Called by its first sentence. */
    public Outcome(Show show, Delta delta, Reads reads, List<String> words, List<Problem> problems) {
        this(show, delta, reads, words, words.isEmpty() ? "Edit" : words.get(0), problems);
    }

    public Outcome {
        words = List.copyOf(words);
        problems = List.copyOf(problems);
    }

    /** The outcome that leaves the show as it was. */
    public static Outcome refused(Show show, List<Problem> problems) {
        return new Outcome(show, Delta.NONE, new Reads(), List.of(), problems);
    }

    public boolean refused() {
        return problems.stream().anyMatch(Problem::refuses);
    }
}
