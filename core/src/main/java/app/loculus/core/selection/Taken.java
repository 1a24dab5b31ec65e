package app.loculus.core.selection;

import app.loculus.core.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * What patterns took of a base and what they left.
 *
 * @param share which share the stepped pattern took, from 0
 * @param shares how many there are; 1 where no pattern leaves a rest
 */
public record Taken(Selection selection, Selection rest, int share, int shares) {

    /** Applies patterns in order to a base. */
    public static Taken of(Selection base, List<Pattern> patterns, Patch patch) {
        OptionalInt stepped = stepped(patterns);
        List<Step> steps = base.steps();
        int share = 0;
        int shares = 1;
        for (int i = 0; i < patterns.size(); i++) {
            if (stepped.equals(OptionalInt.of(i)) && patterns.get(i) instanceof Pattern.Sharing sharing) {
                share = sharing.share(steps.size());
                shares = sharing.shares(steps.size());
            }
            steps = patterns.get(i).take(steps, patch);
        }
        Selection selection = new Selection(steps);
        return new Taken(selection, base.beside(selection), share, shares);
    }

    /**
     * The patterns so many shares further on: the last one that leaves a rest is turned, among the steps that stood
     * before it, and what was arranged after it is arranged again. Without one, a step alone is taken.
     *
     * @param by 1 for the next share, −1 for the one before
     */
    public static List<Pattern> stepped(Selection base, List<Pattern> patterns, int by, Patch patch) {
        List<Pattern> next = new ArrayList<>(patterns);
        OptionalInt stepped = stepped(patterns);
        if (stepped.isEmpty()) {
            int steps = of(base, patterns, patch).selection().steps().size();
            next.add(new Pattern.One(by > 0 ? 1 : Math.max(1, steps)));
            return next;
        }
        int at = stepped.getAsInt();
        int before =
                of(base, patterns.subList(0, at), patch).selection().steps().size();
        next.set(at, ((Pattern.Sharing) patterns.get(at)).turned(by, before));
        return next;
    }

    private static OptionalInt stepped(List<Pattern> patterns) {
        for (int i = patterns.size() - 1; i >= 0; i--) {
            if (patterns.get(i) instanceof Pattern.Sharing) {
                return OptionalInt.of(i);
            }
        }
        return OptionalInt.empty();
    }
}
