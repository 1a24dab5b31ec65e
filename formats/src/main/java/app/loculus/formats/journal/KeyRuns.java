package app.loculus.formats.journal;

import java.util.ArrayList;
import java.util.List;

/** Runs of numbered keys written short: {@code 1-20}, {@code 51.1-4}. */
final class KeyRuns {

    private KeyRuns() {}

    /** @param keys {@code 12} or {@code 12.3}, in any order; runs are found where neighbours follow each other */
    static List<String> shortened(List<String> keys) {
        List<String> runs = new ArrayList<>();
        int i = 0;
        while (i < keys.size()) {
            String head = head(keys.get(i));
            int first = last(keys.get(i));
            int end = first;
            int next = i + 1;
            while (next < keys.size() && keys.get(next).equals(head + (end + 1))) {
                end++;
                next++;
            }
            runs.add(end == first ? keys.get(i) : head + first + "-" + end);
            i = next;
        }
        return runs;
    }

    static List<String> spelledOut(List<String> runs) {
        List<String> keys = new ArrayList<>();
        for (String run : runs) {
            int dash = run.indexOf('-');
            if (dash < 0) {
                keys.add(run);
            } else {
                String head = head(run.substring(0, dash));
                int end = Integer.parseInt(run.substring(dash + 1));
                for (int n = last(run.substring(0, dash)); n <= end; n++) {
                    keys.add(head + n);
                }
            }
        }
        return keys;
    }

    private static String head(String key) {
        return key.substring(0, key.lastIndexOf('.') + 1);
    }

    private static int last(String key) {
        return Integer.parseInt(key.substring(key.lastIndexOf('.') + 1));
    }
}
