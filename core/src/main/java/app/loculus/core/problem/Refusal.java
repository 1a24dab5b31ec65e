package app.loculus.core.problem;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown when a value cannot be right; carries every problem found, never only the first. */
public final class Refusal extends RuntimeException {

    private final transient List<Problem> problems;

    public Refusal(List<Problem> problems) {
        super(problems.stream().map(Problem::words).collect(Collectors.joining(" ")));
        this.problems = List.copyOf(problems);
    }

    public static Refusal of(String code, String subject, String words, WayOut... waysOut) {
        return new Refusal(List.of(Problem.refusal(code, subject, words, waysOut)));
    }

    public List<Problem> problems() {
        return problems;
    }
}
