package app.loculus.core.unit;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Writes lists of numbers as people say them: {@code 301 thru 312 + 320}. */
public final class Numbers {

    private Numbers() {}

    public static String text(List<Integer> numbers) {
        List<int[]> runs = new ArrayList<>();
        for (int number : numbers) {
            int[] last = runs.isEmpty() ? null : runs.get(runs.size() - 1);
            if (last != null && last[1] + 1 == number) {
                last[1] = number;
            } else {
                runs.add(new int[] {number, number});
            }
        }
        return runs.stream().map(Numbers::run).collect(Collectors.joining(" + "));
    }

    private static String run(int[] run) {
        return run[0] == run[1] ? String.valueOf(run[0]) : run[0] + " thru " + run[1];
    }

    /** {@code 1 fixture}, {@code 12 fixtures}. */
    public static String count(int count, String one) {
        return count + " " + (count == 1 ? one : one + "s");
    }
}
