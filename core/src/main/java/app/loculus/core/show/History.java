package app.loculus.core.show;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What can be undone and redone. Immutable.
 *
 * @param done oldest first
 * @param undone the one to redo next comes last
 */
public record History(List<Entry> done, List<Entry> undone) {

    public static final History NONE = new History(List.of(), List.of());

    /**
     * One edit that was made; what it changed stays in the journal until it is asked for.
     *
     * @param id its number in the journal
     * @param gesture entries of one gesture, next to each other, are undone together; empty for none
     * @param octets what it takes in the journal
     * @param madeAtMillis when, in milliseconds since 1970
     */
    public record Entry(long id, String words, String gesture, int octets, long madeAtMillis) {

        public boolean sameGestureAs(Entry other) {
            return !gesture.isEmpty() && gesture.equals(other.gesture);
        }

        public boolean isOf(String otherGesture) {
            return !gesture.isEmpty() && gesture.equals(otherGesture);
        }
    }

    public History {
        done = List.copyOf(done);
        undone = List.copyOf(undone);
    }

    public History made(Entry entry) {
        List<Entry> all = new ArrayList<>(done);
        all.add(entry);
        return new History(all, List.of());
    }

    /** The last edit went on. */
    public History wentOn(Entry entry) {
        List<Entry> all = new ArrayList<>(done.subList(0, done.size() - 1));
        all.add(entry);
        return new History(all, List.of());
    }

    /** Only the newest: so many, of so many octets together; the very last one always. */
    public History within(int entries, long octets) {
        int first = done.size();
        long sum = 0;
        while (first > 0
                && done.size() - first < entries
                && (first == done.size() || sum + done.get(first - 1).octets() <= octets)) {
            first--;
            sum += done.get(first).octets();
        }
        return first == 0 ? this : new History(done.subList(first, done.size()), undone);
    }

    /** Without an entry that cannot be read and everything before it (done) or behind it (undone). */
    public History endingAt(Entry unreadable) {
        int lastDone = done.indexOf(unreadable);
        int lastUndone = undone.indexOf(unreadable);
        return new History(
                lastDone < 0 ? done : done.subList(lastDone + 1, done.size()),
                lastUndone < 0 ? undone : undone.subList(lastUndone + 1, undone.size()));
    }

    public Optional<Entry> lastDone() {
        return last(done);
    }

    public Optional<Entry> nextUndone() {
        return last(undone);
    }

    /** The entries that one undo takes back, newest first. */
    public List<Entry> toUndo() {
        return run(done);
    }

    /** The entries that one redo does again, in order. */
    public List<Entry> toRedo() {
        return run(undone);
    }

    public History undone(int entries) {
        return new History(without(done, entries), moved(undone, done, entries));
    }

    public History redone(int entries) {
        return new History(moved(done, undone, entries), without(undone, entries));
    }

    private static Optional<Entry> last(List<Entry> entries) {
        return entries.isEmpty() ? Optional.empty() : Optional.of(entries.get(entries.size() - 1));
    }

    private static List<Entry> run(List<Entry> entries) {
        List<Entry> run = new ArrayList<>();
        for (int i = entries.size() - 1; i >= 0; i--) {
            if (run.isEmpty() || entries.get(i).sameGestureAs(run.get(0))) {
                run.add(entries.get(i));
            } else {
                break;
            }
        }
        return run;
    }

    private static List<Entry> without(List<Entry> entries, int count) {
        return entries.subList(0, entries.size() - count);
    }

    private static List<Entry> moved(List<Entry> to, List<Entry> from, int count) {
        List<Entry> all = new ArrayList<>(to);
        for (int i = 0; i < count; i++) {
            all.add(from.get(from.size() - 1 - i));
        }
        return all;
    }
}
