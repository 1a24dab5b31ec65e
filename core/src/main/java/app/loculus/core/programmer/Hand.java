package app.loculus.core.programmer;

import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Sort;
import app.loculus.core.selection.Taken;
import app.loculus.core.value.CueListId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * What is selected and how it was taken.
 *
 * @param selection the units selected, in order
 * @param base what the patterns take from
 * @param asked how the base was asked for, so that a recipe can ask again
 * @param patterns in the order they were laid on; each knows which share of its steps it takes
 * @param recent selections before this one, the latest first
 * @param list the cue list that is chosen: what is recorded, played and changed without naming a list is in that one;
 *     absent: the first
 * @param highlight whether the units selected are highlighted
 */
public record Hand(
        Selection selection,
        Selection base,
        Choice asked,
        List<Pattern> patterns,
        List<Selection> recent,
        Optional<CueListId> list,
        boolean highlight) {

    public static final Hand EMPTY = new Hand(
            Selection.EMPTY,
            Selection.EMPTY,
            new Choice.Units(Selection.EMPTY),
            List.of(),
            List.of(),
            Optional.empty(),
            false);

    private static final int MOST_RECENT = 8;

    public Hand {
        patterns = List.copyOf(patterns);
        // What earlier versions wrote has none of these.
        list = list == null ? Optional.empty() : list;
        asked = asked == null ? new Choice.Units(base) : asked;
        recent = recent == null ? List.of() : List.copyOf(recent);
    }

    /** Units, however they were pointed out. */
    public Hand choosing(Selection next) {
        return choosing(new Choice.Units(next), next);
    }

    /** @param how how these were asked for */
    public Hand choosing(Choice how, Selection next) {
        boolean nothingLost = selection.isEmpty() || selection.equals(next);
        return new Hand(next, next, how, List.of(), nothingLost ? recent : remembered(), list, highlight);
    }

    /** A selection that only grew is remembered once. */
    private List<Selection> remembered() {
        Stream<Selection> others = recent.stream()
                .filter(s -> !s.equals(selection)
                        && !(s.steps().size() < selection.steps().size()
                                && selection
                                        .steps()
                                        .subList(0, s.steps().size())
                                        .equals(s.steps())));
        return Stream.concat(Stream.of(selection), others).limit(MOST_RECENT).toList();
    }

    /** The same units in an order of their own. */
    public Hand ordered(Selection order) {
        return new Hand(order, order, new Choice.Units(order), List.of(), recent, list, highlight);
    }

    /** The selection before this one. */
    public Selection last() {
        return recent.isEmpty() ? Selection.EMPTY : recent.get(0);
    }

    /** How the selection would be asked for again. */
    public Choice asking() {
        return patterns.isEmpty() ? asked : new Choice.Arranged(asked, patterns);
    }

    /** Lays a pattern on the selection; one that undoes or replaces the one before takes its place. */
    public Hand arranged(Pattern pattern, Patch patch) {
        List<Pattern> all = new ArrayList<>(patterns);
        Pattern before = all.isEmpty() ? null : all.get(all.size() - 1);
        boolean back = pattern instanceof Pattern.Reverse && pattern.equals(before);
        if (back) {
            all.remove(all.size() - 1);
        }
        while (!all.isEmpty() && replaces(pattern, all.get(all.size() - 1))) {
            all.remove(all.size() - 1);
        }
        if (!back) {
            all.add(pattern);
        }
        return taking(all, patch);
    }

    /** Whether nothing is left of an order in another one: steps that tie in a sort stay in the order they were in. */
    private static boolean replaces(Pattern order, Pattern before) {
        boolean ordered = before instanceof Pattern.Shuffle || before instanceof Sort;
        boolean ties = order instanceof Sort sort
                && sort.by() != Sort.By.NUMBER
                && !(before instanceof Sort earlier && earlier.by() == sort.by());
        return ordered && !ties && (order instanceof Pattern.Shuffle || order instanceof Sort);
    }

    /** The same units, known by what they were taken from and by which patterns, so that these can be turned. */
    public Hand opened(Choice of, Selection whole, List<Pattern> own, Patch patch) {
        return new Hand(Taken.of(whole, own, patch).selection(), whole, of, own, recent, list, highlight);
    }

    /** The next share of the pattern, or the one so many further on (negative: back). */
    public Hand stepped(int by, Patch patch) {
        return taking(Taken.stepped(base, patterns, by, patch), patch);
    }

    /** Everything that the patterns took from, as it was asked for. */
    public Hand whole() {
        return new Hand(base, base, asked, List.of(), recent, list, highlight);
    }

    /** Without one of the patterns. */
    public Hand without(int pattern, Patch patch) {
        List<Pattern> all = new ArrayList<>(patterns);
        all.remove(pattern);
        return taking(all, patch);
    }

    private Hand taking(List<Pattern> all, Patch patch) {
        return new Hand(Taken.of(base, all, patch).selection(), base, asked, all, recent, list, highlight);
    }

    /** What the patterns make of the base: the share, and how many there are. */
    public Taken taken(Patch patch) {
        return Taken.of(base, patterns, patch);
    }

    /** What the patterns leave of the base, in its order. */
    public Selection rest() {
        return base.beside(selection);
    }

    public Hand highlighting(boolean on) {
        return new Hand(selection, base, asked, patterns, recent, list, on);
    }

    /** With another cue list chosen; fixtures stay as they are. */
    public Hand onList(CueListId next) {
        return new Hand(selection, base, asked, patterns, recent, Optional.of(next), highlight);
    }

    /** The same hand with only the units that pass. @param how what becomes of how they were asked for */
    public Hand keeping(Predicate<UnitId> wanted, UnaryOperator<Choice> how) {
        return new Hand(
                selection.keeping(wanted),
                base.keeping(wanted),
                how.apply(asked),
                patterns,
                recent.stream()
                        .map(s -> s.keeping(wanted))
                        .filter(s -> !s.isEmpty())
                        .toList(),
                list,
                highlight);
    }
}
