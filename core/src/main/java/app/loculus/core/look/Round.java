package app.loculus.core.look;

import java.util.Random;

/** The steps of a chase in the order in which they come, without end. */
public final class Round {

    private final int steps;
    private final Tempo.Direction direction;
    private final int seed;

    /** @param steps how many there are, at least 1 */
    public Round(int steps, Tempo.Direction direction, int seed) {
        this.steps = steps;
        this.direction = direction;
        this.seed = seed;
    }

    /** @param k 0 for the first that comes. @return the step, 0 to steps − 1 */
    public int step(long k) {
        return switch (direction) {
            case FORWARDS -> (int) Math.floorMod(k, (long) steps);
            case BACKWARDS -> steps - 1 - (int) Math.floorMod(k, (long) steps);
            case BOUNCE -> bounce(k);
            case RANDOM -> cycle(Math.floorDiv(k, (long) steps))[(int) Math.floorMod(k, (long) steps)];
        };
    }

    private int bounce(long k) {
        if (steps == 1) {
            return 0;
        }
        int at = (int) Math.floorMod(k, 2L * (steps - 1));
        return at < steps ? at : 2 * (steps - 1) - at;
    }

    /**
     * The order of one cycle: a permutation; where its first would be the last of the cycle before, the two ends change
     * places. With two steps that would undo itself, so they go on as they began.
     */
    private int[] cycle(long number) {
        if (steps <= 2) {
            int[] first = shuffled(0);
            return first;
        }
        int[] order = shuffled(number);
        int before = number == 0 ? -1 : last(number - 1);
        if (order[0] == before) {
            swap(order);
        }
        return order;
    }

    /** The last of a cycle: the ends of the one may have changed places because of the one before, and so on. */
    private int last(long number) {
        int[] order = shuffled(number);
        long from = number;
        // Going back only as far as the ends could have been swapped: where first and last of the one before differ
        // from it.
        while (from > 0 && touches(from)) {
            from--;
        }
        int last = shuffled(from)[steps - 1];
        for (long c = from + 1; c <= number; c++) {
            order = shuffled(c);
            if (order[0] == last) {
                swap(order);
            }
            last = order[steps - 1];
        }
        return last;
    }

    /** Whether the ends of a cycle hang on what came before: its first is an end of the cycle before. */
    private boolean touches(long number) {
        int[] before = shuffled(number - 1);
        int first = shuffled(number)[0];
        return first == before[steps - 1] || first == before[0];
    }

    private void swap(int[] order) {
        int first = order[0];
        order[0] = order[steps - 1];
        order[steps - 1] = first;
    }

    private int[] shuffled(long cycle) {
        Random random = new Random(seed * 0x9E3779B97F4A7C15L ^ cycle * 0xC2B2AE3D27D4EB4FL);
        int[] order = new int[steps];
        for (int i = 0; i < steps; i++) {
            order[i] = i;
        }
        for (int i = steps - 1; i > 0; i--) {
            int other = random.nextInt(i + 1);
            int held = order[i];
            order[i] = order[other];
            order[other] = held;
        }
        return order;
    }

    /** The first place at or after k at which a step comes; every step comes within two rounds. */
    public long when(int step, long k) {
        long at = k;
        while (step(at) != step) {
            at++;
        }
        return at;
    }
}
