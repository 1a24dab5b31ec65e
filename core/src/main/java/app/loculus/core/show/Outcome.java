package app.loculus.core.show;

import app.loculus.core.problem.Problem;
import java.util.List;

/**
 * What an edit comes to.
 *
 * @param show the show after it; the show as it was when the edit is refused
 * @param delta what it changes; nothing when it is refused
 * @param words what it does, in plain sentences, the first one the shortest
 * @param problems warnings of an accepted edit, or everything that refuses it
 */
public record Outcome(Show show, Delta delta, List<String> words, List<Problem> problems) {

    public Outcome {
        words = List.copyOf(words);
        problems = List.copyOf(problems);
    }

    public boolean refused() {
        return problems.stream().anyMatch(Problem::refuses);
    }
}
