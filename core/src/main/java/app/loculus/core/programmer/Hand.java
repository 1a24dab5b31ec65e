package app.loculus.core.programmer;

import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Taken;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * What is selected and how it was taken.
 *
 * @param selection the units in hand, in order
 * @param base what the patterns take from
 * @param patterns in the order they were laid on
 * @param share which share of the last pattern is in hand, from 0
 * @param last the selection before this one
 * @param highlight whether the units in hand are shown off
 */
public record Hand(
        Selection selection, Selection base, List<Pattern> patterns, int share, Selection last, boolean highlight) {

    public static final Hand EMPTY = new Hand(Selection.EMPTY, Selection.EMPTY, List.of(), 0, Selection.EMPTY, false);

    public Hand {
        patterns = List.copyOf(patterns);
    }

    public Hand choosing(Selection next) {
        boolean nothingLost = selection.isEmpty() || selection.equals(next);
        return new Hand(next, next, List.of(), 0, nothingLost ? last : selection, highlight);
    }

    /** Lays a pattern on what is in hand. */
    public Hand arranged(Pattern pattern) {
        List<Pattern> all = new ArrayList<>(patterns);
        all.add(pattern);
        return taking(base, all, share);
    }

    /** The next share of the pattern, or the one so many further on (negative: back). */
    public Hand stepped(int shares) {
        return taking(base, patterns, share + shares);
    }

    /** What the patterns leave of the base, in its order. */
    public Selection rest() {
        return base.minus(selection);
    }

    public int shares() {
        return Taken.of(base, patterns, share).shares();
    }

    public Hand highlighting(boolean on) {
        return new Hand(selection, base, patterns, share, last, on);
    }

    /** The same hand with only the units that pass. */
    public Hand keeping(Predicate<UnitId> wanted) {
        return new Hand(
                selection.keeping(wanted), base.keeping(wanted), patterns, share, last.keeping(wanted), highlight);
    }

    private Hand taking(Selection from, List<Pattern> all, int wanted) {
        Taken taken = Taken.of(from, all, wanted);
        return new Hand(taken.selection(), from, all, taken.share(), last, highlight);
    }
}
