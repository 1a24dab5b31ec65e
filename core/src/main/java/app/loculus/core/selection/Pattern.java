package app.loculus.core.selection;

import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** A way to take from a selection or to arrange it. */
public sealed interface Pattern {

    /** Whether it takes a share and leaves the others, which can be stepped through. */
    default boolean leavesARest() {
        return false;
    }

    /** The steps taken at a share; share 0 is the pattern as written, 1 the next one, and so on round. */
    List<Step> take(List<Step> steps, int share);

    /** How many shares there are; 1 for a pattern that only arranges. */
    default int shares(List<Step> steps) {
        return 1;
    }

    /** As the line writes it. */
    String words();

    /** Steps k, k+n, k+2n… */
    record EveryNth(int n, int from) implements Pattern {

        @Override
        public boolean leavesARest() {
            return true;
        }

        public EveryNth {
            positive("every", n);
            positive("from", from);
        }

        @Override
        public List<Step> take(List<Step> steps, int share) {
            List<Step> taken = new ArrayList<>();
            for (int i = (from - 1 + share) % n; i < steps.size(); i += n) {
                taken.add(steps.get(i));
            }
            return taken;
        }

        @Override
        public int shares(List<Step> steps) {
            return n;
        }

        @Override
        public String words() {
            return "every " + n + (from == 1 ? "" : " from " + from);
        }
    }

    /** A step becomes so many consecutive units. */
    record Blocks(int of) implements Pattern {
        public Blocks {
            positive("blocks of", of);
        }

        @Override
        public List<Step> take(List<Step> steps, int share) {
            List<Step> blocks = new ArrayList<>();
            for (int i = 0; i < steps.size(); i += of) {
                blocks.add(joined(steps.subList(i, Math.min(steps.size(), i + of)).stream()));
            }
            return blocks;
        }

        @Override
        public String words() {
            return "blocks of " + of;
        }
    }

    /** One of p contiguous runs whose sizes differ by at most one, longer ones first. */
    record Part(int k, int of) implements Pattern {

        @Override
        public boolean leavesARest() {
            return true;
        }

        public Part {
            positive("part", k);
            if (k > of) {
                throw Refusal.of("selection.pattern", "pattern", "There is no part " + k + " of " + of + ".");
            }
        }

        @Override
        public List<Step> take(List<Step> steps, int share) {
            int index = (k - 1 + share) % of;
            int size = steps.size() / of;
            int longer = steps.size() % of;
            int start = index * size + Math.min(index, longer);
            return steps.subList(start, start + size + (index < longer ? 1 : 0));
        }

        @Override
        public int shares(List<Step> steps) {
            return of;
        }

        @Override
        public String words() {
            return "part " + k + " of " + of;
        }
    }

    /** First with last, second with last but one; an odd middle stands alone. */
    record Mirror() implements Pattern {
        @Override
        public List<Step> take(List<Step> steps, int share) {
            List<Step> pairs = new ArrayList<>();
            int n = steps.size();
            for (int i = 0; i < (n + 1) / 2; i++) {
                Stream<Step> pair =
                        i == n - 1 - i ? Stream.of(steps.get(i)) : Stream.of(steps.get(i), steps.get(n - 1 - i));
                pairs.add(joined(pair));
            }
            return pairs;
        }

        @Override
        public String words() {
            return "mirror";
        }
    }

    /** Backwards. */
    record Reverse() implements Pattern {
        @Override
        public List<Step> take(List<Step> steps, int share) {
            List<Step> reversed = new ArrayList<>(steps);
            Collections.reverse(reversed);
            return reversed;
        }

        @Override
        public String words() {
            return "reverse";
        }
    }

    /** In an order that the seed repeats. */
    record Shuffle(long seed) implements Pattern {
        @Override
        public List<Step> take(List<Step> steps, int share) {
            List<Step> shuffled = new ArrayList<>(steps);
            Collections.shuffle(shuffled, new Random(seed));
            return shuffled;
        }

        @Override
        public String words() {
            return "shuffle seed " + seed;
        }
    }

    private static Step joined(Stream<Step> steps) {
        return new Step(steps.flatMap(s -> s.units().stream()).toList());
    }

    private static void positive(String what, int number) {
        if (number < 1) {
            throw Refusal.of("selection.pattern", "pattern", "“" + what + " " + number + "” needs a number from 1.");
        }
    }
}
