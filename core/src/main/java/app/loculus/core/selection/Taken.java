package app.loculus.core.selection;

import java.util.ArrayList;
import java.util.List;

/**
 * What patterns took of a base and what they left.
 *
 * @param share which share was taken, from 0
 * @param shares how many there are
 */
public record Taken(Selection selection, Selection rest, int share, int shares) {

    /**
     * Applies patterns in order to a base; stepping turns the last pattern that has shares.
     *
     * @param share any number; taken round
     */
    public static Taken of(Selection base, List<Pattern> patterns, int share) {
        int stepped = stepped(patterns);
        List<Step> steps = base.steps();
        int shares = 1;
        int taken = 0;
        for (int i = 0; i < patterns.size(); i++) {
            Pattern pattern = patterns.get(i);
            if (i == stepped) {
                shares = pattern.shares(steps);
                taken = Math.floorMod(share, shares);
            }
            steps = new ArrayList<>(pattern.take(steps, i == stepped ? taken : 0));
        }
        Selection selection = new Selection(steps);
        return new Taken(selection, base.minus(selection), taken, shares);
    }

    private static int stepped(List<Pattern> patterns) {
        for (int i = patterns.size() - 1; i >= 0; i--) {
            if (patterns.get(i).leavesARest()) {
                return i;
            }
        }
        return -1;
    }
}
