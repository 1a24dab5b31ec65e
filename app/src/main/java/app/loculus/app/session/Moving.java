package app.loculus.app.session;

import app.loculus.app.store.ShowStore;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Reads;
import app.loculus.core.show.Show;
import app.loculus.formats.journal.UnreadableEntry;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Undo or redo under way. */
final class Moving {

    private static final Logger LOG = LoggerFactory.getLogger(Moving.class);

    /** Steps of one undo that are told one by one. */
    private static final int MOST_TOLD = 5;

    private final ShowStore store;
    private final Snapshot from;
    private final boolean undo;
    private Show show;
    private Delta joined = Delta.NONE;
    private History history;
    private final List<Delta> deltas = new ArrayList<>();
    private final List<History.Entry> entries = new ArrayList<>();
    private final List<History.Entry> ended = new ArrayList<>();
    private final List<String> words = new ArrayList<>();

    Moving(ShowStore store, Snapshot from, boolean undo) {
        this.store = store;
        this.from = from;
        this.undo = undo;
        this.show = from.show();
        this.history = from.history();
    }

    /** Goes by so many steps, as far as there are any. @return what the show is then, and what that was in words */
    Outcome by(int times) {
        int steps = 0;
        while (steps < times && one()) {
            steps++;
        }
        if (times > 1 && steps > 0) {
            counted(steps, steps < times);
        }
        joined = Delta.joined(deltas);
        return new Outcome(show, joined, new Reads(), words, List.of());
    }

    /** Whether there was nothing to go by, not even an end of the history that was not known. */
    boolean nothing() {
        return entries.isEmpty() && ended.isEmpty();
    }

    /** @return whether there was something */
    private boolean one() {
        List<History.Entry> run = undo ? history.toUndo() : history.toRedo();
        if (run.isEmpty()) {
            return false;
        }
        for (History.Entry entry : run) {
            if (!step(entry)) {
                return false;
            }
        }
        words.add((undo ? "Undoes: " : "Does again: ")
                + run.get(undo ? 0 : run.size() - 1).words());
        return true;
    }

    /** Says how many they were in front of what the first and the last of them was. */
    private void counted(int steps, boolean all) {
        String word = undo ? "Undoes" : "Does again";
        List<String> told = words.size() > MOST_TOLD
                ? List.of(words.get(0), "… and so on to " + words.get(words.size() - 1))
                : List.copyOf(words);
        words.clear();
        words.add(word
                + (all ? " all " : " ")
                + steps
                + (steps == 1 ? " step" : " steps")
                + (all ? " there " + (steps == 1 ? "is" : "are") : ""));
        words.addAll(told);
    }

    private boolean step(History.Entry entry) {
        try {
            Delta delta = store.delta(entry);
            Delta way = undo ? delta.reversed() : delta;
            show = show.with(way);
            deltas.add(way);
            entries.add(entry);
            history = undo ? history.undone(1) : history.redone(1);
            return true;
        } catch (UnreadableEntry | Refusal damaged) {
            LOG.warn("Show {}: the history ends at “{}”", from.id(), entry.words(), damaged);
            ended.add(entry);
            history = history.endingAt(entry);
            words.add("The history ends here: “" + entry.words() + "” cannot be read any more.");
            return false;
        }
    }

    /** Keeps what was gone by. */
    History keep() {
        store.keepMoved(from.id(), show, from.revision() + 1, entries, undo, joined);
        ended.forEach(e -> store.endHistory(from.id(), e, undo));
        return history;
    }
}
