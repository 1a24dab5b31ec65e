package app.loculus.app.api;

import app.loculus.core.problem.Problem;
import java.util.ArrayList;
import java.util.List;

/** A problem on the wire; from and to are characters of the line, −1 when it is not about text. */
public record ProblemView(
        String code, String severity, String subject, int from, int to, String words, List<WayOutView> waysOut) {

    /** A way out; {@code line} is empty when it is advice only. */
    public record WayOutView(String words, String line) {}

    public static ProblemView of(Problem p) {
        return new ProblemView(
                p.code(),
                p.severity().name().toLowerCase(java.util.Locale.ROOT),
                p.place().subject(),
                p.place().from(),
                p.place().to(),
                p.words(),
                p.waysOut().stream()
                        .map(w -> new WayOutView(w.words(), w.line().orElse("")))
                        .toList());
    }

    /** More than anybody reads; the rest is counted. */
    public static final int MOST = 500;

    public static List<ProblemView> all(List<Problem> problems) {
        List<ProblemView> all = new ArrayList<>(
                problems.stream().limit(MOST).map(ProblemView::of).toList());
        if (problems.size() > MOST) {
            all.add(of(Problem.warning("more", "", "And " + (problems.size() - MOST) + " more.")));
        }
        return all;
    }

    /** Sentences, the first of them, and how many more there are. */
    public static List<String> first(List<String> words) {
        if (words.size() <= MOST) {
            return words;
        }
        List<String> first = new ArrayList<>(words.subList(0, MOST));
        first.add("And " + (words.size() - MOST) + " more.");
        return first;
    }
}
