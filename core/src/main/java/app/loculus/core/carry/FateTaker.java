package app.loculus.core.carry;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Takes down what becomes of the units of one part, and sums it up. */
public final class FateTaker {

    private record Alike(String types, String what, Verdict verdict) {}

    private static final class Sum {
        private int units;
        private final Set<String> words = new LinkedHashSet<>();
    }

    private final Map<Verdict, Integer> counts = new EnumMap<>(Verdict.class);
    private final Map<Alike, Sum> sums = new LinkedHashMap<>();
    private final List<Fate.Line> own = new ArrayList<>();
    private int units;

    /** What becomes of one unit. */
    public void take(At was, At is, List<Compared.Told> told) {
        units++;
        Verdict worst = told.stream().map(Compared.Told::verdict).reduce(Verdict.CARRIES, Verdict::orWorse);
        counts.merge(worst, 1, Integer::sum);
        told.stream().filter(t -> t.verdict() != Verdict.CARRIES).forEach(t -> {
            Sum sum = sums.computeIfAbsent(new Alike(types(was, is), t.what(), t.verdict()), a -> new Sum());
            sum.units++;
            sum.words.add(t.toString());
        });
    }

    private static String types(At was, At is) {
        String one = was.profile().name();
        String other = is.profile().name();
        return one.equals(other) ? one : one + " → " + other;
    }

    /** So many units of which nothing more is to be said. */
    public void count(Verdict verdict, int more) {
        if (more > 0) {
            units += more;
            counts.merge(verdict, more, Integer::sum);
        }
    }

    /** Something about the part as a whole. */
    public void say(Verdict verdict, String words) {
        own.add(new Fate.Line(0, "", verdict, words));
    }

    public boolean none() {
        return units == 0 && own.isEmpty();
    }

    public Fate fate(Fate.Sort sort, String label) {
        List<Fate.Line> lines = new ArrayList<>(own);
        sums.forEach((alike, sum) ->
                lines.add(new Fate.Line(sum.units, alike.types(), alike.verdict(), words(List.copyOf(sum.words)))));
        lines.sort(Comparator.comparing(Fate.Line::verdict).reversed());
        return new Fate(sort, label, units, counts, lines);
    }

    /** Two are both told, of more the first and how many others. */
    private static String words(List<String> all) {
        return all.size() <= 2 ? String.join("; ", all) : all.get(0) + "; and " + (all.size() - 1) + " others like it";
    }
}
