package app.loculus.core;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.stream.LongStream;

/** Asks a law of random lines, and tells the fewest of them that break it. */
public final class Shrunk {

    private Shrunk() {}

    /**
     * @param law what is wrong after these lines; empty when it holds
     * @return the first breaks, each with its lines; empty when the law holds for all seeds
     */
    public static List<String> breaks(
            long seeds, LongFunction<List<String>> lines, Function<List<String>, String> law) {
        return LongStream.range(0, seeds)
                .mapToObj(seed -> told(seed, lines.apply(seed), law))
                .filter(s -> !s.isEmpty())
                .limit(3)
                .toList();
    }

    private static String told(long seed, List<String> lines, Function<List<String>, String> law) {
        String wrong = law.apply(lines);
        if (wrong.isEmpty()) {
            return "";
        }
        List<String> left = new ArrayList<>(lines);
        for (int i = left.size() - 1; i >= 0; i--) {
            List<String> fewer = new ArrayList<>(left);
            fewer.remove(i);
            String still = law.apply(fewer);
            if (!still.isEmpty()) {
                left = fewer;
                wrong = still;
            }
        }
        return "seed " + seed + ":\n    " + String.join("\n    ", left) + "\n  " + wrong + "\n";
    }
}
