package app.loculus.core.selection;

import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** A way to take from a selection or to arrange it. Knows its own share: the next one is another pattern. */
public sealed interface Pattern permits Pattern.Sharing, Pattern.Arranging, Sort, Grid {

    /** The steps it makes of these. */
    List<Step> take(List<Step> steps, Patch patch);

    /** As the line writes it. */
    String words();

    /** Takes a share and leaves the others, which can be stepped through; no share is empty. */
    sealed interface Sharing extends Pattern {

        /** How many shares so many steps make; together they are all steps it counts, each once. */
        int shares(int steps);

        /** Which of them it takes, from 0. */
        int share(int steps);

        /** The pattern that takes the share so many further on (negative: back); the first comes after the last. */
        Sharing turned(int by, int steps);
    }

    /** Keeps every unit. */
    sealed interface Arranging extends Pattern {}

    /**
     * Steps k, k+n, k+2n… Shares begin round within the n that k lies in: every 3 from 5 is followed by 6, then 4, 7.
     *
     * @param from k, from 1
     */
    record EveryNth(int n, int from) implements Sharing {

        public EveryNth {
            positive("every", n);
            positive("from", from);
        }

        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
            List<Step> taken = new ArrayList<>();
            for (int i = from - 1; i < steps.size(); i += n) {
                taken.add(steps.get(i));
            }
            return taken;
        }

        /** Steps before those in which k lies. */
        private int before() {
            return (from - 1) / n * n;
        }

        @Override
        public int shares(int steps) {
            return Math.max(0, Math.min(n, steps - before()));
        }

        @Override
        public int share(int steps) {
            return from - 1 - before();
        }

        @Override
        public EveryNth turned(int by, int steps) {
            int shares = shares(steps);
            return shares == 0 ? this : new EveryNth(n, before() + Math.floorMod(share(steps) + by, shares) + 1);
        }

        @Override
        public String words() {
            return "every " + n + (from == 1 ? "" : " from " + from);
        }
    }

    /** One of p contiguous runs whose sizes differ by at most one, longer ones first. */
    record Part(int k, int of) implements Sharing {

        public Part {
            positive("part", k);
            if (k > of) {
                throw Refusal.of("selection.pattern", "pattern", "There is no part " + k + " of " + of + ".");
            }
        }

        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
            int size = steps.size() / of;
            int longer = steps.size() % of;
            int start = (k - 1) * size + Math.min(k - 1, longer);
            return steps.subList(start, start + size + (k - 1 < longer ? 1 : 0));
        }

        @Override
        public int shares(int steps) {
            return Math.min(of, steps);
        }

        @Override
        public int share(int steps) {
            return k - 1;
        }

        @Override
        public Part turned(int by, int steps) {
            int shares = shares(steps);
            return shares == 0 ? this : new Part(Math.floorMod(k - 1 + by, shares) + 1, of);
        }

        @Override
        public String words() {
            return "part " + k + " of " + of;
        }
    }

    /** One step alone. */
    record One(int k) implements Sharing {

        public One {
            positive("step", k);
        }

        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
            return k > steps.size() ? List.of() : List.of(steps.get(k - 1));
        }

        @Override
        public int shares(int steps) {
            return steps;
        }

        @Override
        public int share(int steps) {
            return k - 1;
        }

        @Override
        public One turned(int by, int steps) {
            return steps == 0 ? this : new One(Math.floorMod(k - 1 + by, steps) + 1);
        }

        @Override
        public String words() {
            return "step " + k;
        }
    }

    /** A step becomes so many consecutive ones together. */
    record Blocks(int of) implements Arranging {

        public Blocks {
            positive("blocks of", of);
        }

        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
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

    /** First with last, second with last but one; an odd middle stands alone. */
    record Mirror() implements Arranging {
        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
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
    record Reverse() implements Arranging {
        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
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
    record Shuffle(long seed) implements Arranging {
        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
            List<Step> shuffled = new ArrayList<>(steps);
            Collections.shuffle(shuffled, new Random(seed));
            return shuffled;
        }

        @Override
        public String words() {
            return "shuffle seed " + seed;
        }
    }

    /** Fixtures with cells become their cells, a step each, in order. */
    record Opened() implements Arranging {
        @Override
        public List<Step> take(List<Step> steps, Patch patch) {
            return steps.stream()
                    .flatMap(s -> s.units().stream())
                    .flatMap(u -> u.cell() == 0 ? patch.cellsOf(u.fixture()).stream() : Stream.of(u))
                    .map(Step::of)
                    .toList();
        }

        @Override
        public String words() {
            return "cells";
        }
    }

    static Step joined(Stream<Step> steps) {
        return new Step(steps.flatMap(s -> s.units().stream()).toList());
    }

    private static void positive(String what, int number) {
        if (number < 1) {
            throw Refusal.of("selection.pattern", "pattern", "“" + what + " " + number + "” needs a number from 1.");
        }
    }
}
