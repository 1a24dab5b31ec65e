package app.loculus.app.session;

import app.loculus.app.store.KeyStore;
import app.loculus.app.store.disk.DiskTrouble;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartRef;
import app.loculus.core.show.Reads;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.journal.UnreadableEntry;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * One show that is open. One writer at a time: it works on the head, which is committed; what is shown follows when it
 * is on the disk. So edits that wait for the disk together share one sync, and nobody sees what is not stored.
 */
final class OpenShow {

    /** Thrown to whoever still holds a show that has left memory; it is opened again. */
    static final class Closed extends RuntimeException {
        Closed() {
            super("The show has left memory.", null, false, false);
        }
    }

    /** What a request comes to on the head: an outcome, and how it is kept when it changes something. */
    private record Step(Outcome outcome, Optional<Supplier<History>> keeping, Delta delta) {

        static Step nothing(Outcome outcome) {
            return new Step(outcome, Optional.empty(), Delta.NONE);
        }
    }

    private record Committed(Snapshot snapshot, Delta delta) {}

    private final Keeper keeper;
    private final long epoch;
    private final BiConsumer<Snapshot, Delta> changed;
    private final ReentrantLock writer = new ReentrantLock();
    private final Deque<Committed> unshown = new ArrayDeque<>();
    private final Recent recent;
    private final VersionWatch versions = new VersionWatch();

    /** Guards what is not shown yet and what changed recently. */
    private final Object order = new Object();

    /** Held while it is shown: one after the other. */
    private final Object showing = new Object();

    private Snapshot head;
    private Optional<Delta> last = Optional.empty();
    private boolean closed;
    private volatile Snapshot shown;
    private volatile long usedAtNanos = System.nanoTime();

    OpenShow(Keeper keeper, Snapshot snapshot, BiConsumer<Snapshot, Delta> changed) {
        this.keeper = keeper;
        this.epoch = keeper.disk().epoch();
        this.head = snapshot;
        this.shown = snapshot;
        this.changed = changed;
        this.recent = new Recent(snapshot.revision());
    }

    Snapshot snapshot() {
        usedAtNanos = System.nanoTime();
        return shown;
    }

    VersionWatch versions() {
        return versions;
    }

    long usedAtNanos() {
        return usedAtNanos;
    }

    /** Leaves memory, unless somebody is writing. */
    boolean close() {
        if (!writer.tryLock()) {
            return false;
        }
        try {
            closed = head == shown;
            return closed;
        } finally {
            writer.unlock();
        }
    }

    /** The database was opened again: nothing in memory counts any more. */
    void abandon() {
        writer.lock();
        closed = true;
        writer.unlock();
    }

    Edited edit(ShowEdit edit, EditRequest request) {
        if (request.preview()) {
            Snapshot now = snapshot();
            return new Edited(checked(edit.apply(now.show()), now, request), now.revision());
        }
        return write(request, now -> {
            Outcome outcome = checked(edit.apply(now.show()), now, request);
            return outcome.refused() || outcome.delta().isEmpty()
                    ? Step.nothing(outcome)
                    : new Step(outcome, Optional.of(() -> keep(now, outcome, request)), outcome.delta());
        });
    }

    /** An edit made on an old revision stands if nothing it changes or went by has changed since. */
    private Outcome checked(Outcome outcome, Snapshot now, EditRequest request) {
        long madeOn = request.madeOn().orElse(now.revision());
        if (madeOn > now.revision()) {
            return refused(
                    now,
                    "edit.future",
                    "This was made on revision " + madeOn + ", which does not exist yet; the show is at "
                            + now.revision() + ".");
        }
        if (madeOn == now.revision() || outcome.refused()) {
            return outcome;
        }
        Optional<Set<PartRef>> met = met(outcome, madeOn);
        if (met.isEmpty()) {
            return refused(
                    now,
                    "edit.old",
                    "This was made on revision " + madeOn + "; what changed since is no longer known.");
        }
        return met.get().isEmpty()
                ? outcome
                : refused(
                        now,
                        "edit.old",
                        "This was made on revision " + madeOn + "; since then " + words(met.get()) + " changed.");
    }

    private Optional<Set<PartRef>> met(Outcome outcome, long madeOn) {
        synchronized (order) {
            if (recent.knows(madeOn)) {
                return Optional.of(recent.met(outcome, madeOn));
            }
        }
        try {
            return keeper.store().since(shown.id(), madeOn).map(deltas -> {
                Set<PartRef> met = new LinkedHashSet<>();
                deltas.forEach(d -> met.addAll(Recent.met(outcome, d)));
                return met;
            });
        } catch (UnreadableEntry damaged) {
            return Optional.empty();
        }
    }

    private static String words(Set<PartRef> met) {
        List<String> kinds = met.stream().map(p -> p.kind().words()).distinct().toList();
        return met.size() == 1 && kinds.get(0).equals("the selection")
                ? kinds.get(0)
                : met.size() + " of the parts it touches or goes by (" + String.join(", ", kinds) + ")";
    }

    private static Outcome refused(Snapshot now, String code, String words) {
        return Outcome.refused(
                now.show(),
                List.of(Problem.refusal(
                        code,
                        "revision",
                        words,
                        WayOut.advice(
                                "Look at the show as it is now, revision " + now.revision() + ", and do it again."))));
    }

    /** Runs on the committed head, keeps, syncs, and only then shows. */
    private Edited write(EditRequest request, Function<Snapshot, Step> work) {
        usedAtNanos = System.nanoTime();
        Edited edited;
        long since;
        writer.lock();
        try {
            if (closed) {
                throw new Closed();
            }
            since = epoch;
            Optional<Edited> before = repeated(request);
            edited = before.isPresent() ? before.get() : done(work.apply(head), request);
        } finally {
            writer.unlock();
        }
        if (!edited.outcome().refused()) {
            keeper.disk().sync(since);
            show(edited.revision());
        }
        return edited;
    }

    private Optional<Edited> repeated(EditRequest request) {
        return request.key()
                .flatMap(key -> keeper.keys().find(head.id(), key.name()).map(kept -> {
                    if (!kept.content().equals(key.content())) {
                        throw Refusal.of(
                                "key.reused",
                                "key",
                                "The key “" + key.name() + "” was used for another request.",
                                WayOut.advice(
                                        "Use a new key for each request; repeat one only with the same content."));
                    }
                    return new Edited(KeptAnswer.outcome(kept.answer(), head.show()), kept.revision(), true);
                }));
    }

    private Edited done(Step step, EditRequest request) {
        if (step.keeping().isEmpty()) {
            return new Edited(step.outcome(), head.revision());
        }
        if (keeper.disk().epoch() != epoch) {
            throw new DiskTrouble("The database was opened again; do this once more.");
        }
        long revision = step.delta().isEmpty() ? head.revision() : head.revision() + 1;
        History history = keeper.disk().commit(() -> {
            History kept = step.keeping().get().get();
            request.key()
                    .ifPresent(key -> keeper.keys()
                            .put(
                                    head.id(),
                                    key.name(),
                                    new KeyStore.Kept(key.content(), revision, KeptAnswer.of(step.outcome()))));
            return kept;
        });
        Snapshot next = new Snapshot(head.id(), step.outcome().show(), revision, history);
        synchronized (order) {
            if (revision > head.revision()) {
                recent.add(revision, step.delta());
            }
            unshown.addLast(new Committed(next, step.delta()));
        }
        head = next;
        return new Edited(step.outcome(), revision);
    }

    /** Shows everything up to a revision that is on the disk, in order. */
    private void show(long upTo) {
        synchronized (showing) {
            List<Delta> deltas = new ArrayList<>();
            Snapshot newest = shown;
            synchronized (order) {
                while (!unshown.isEmpty() && unshown.peekFirst().snapshot().revision() <= upTo) {
                    Committed committed = unshown.removeFirst();
                    newest = committed.snapshot();
                    deltas.add(committed.delta());
                }
            }
            if (newest != shown) {
                keeper.kept().mark(newest.id(), newest.revision());
                shown = newest;
                changed.accept(newest, deltas.size() == 1 ? deltas.get(0) : Delta.joined(deltas));
            }
        }
    }

    private History keep(Snapshot now, Outcome outcome, EditRequest request) {
        long revision = now.revision() + 1;
        String words = outcome.called();
        Optional<History.Entry> goesOn = now.history()
                .lastDone()
                .filter(e -> now.history().undone().isEmpty() && e.isOf(request.gesture()) && last.isPresent());
        if (now.history().nextUndone().isPresent()) {
            keeper.store().dropUndone(now.id());
        }
        History history;
        if (goesOn.isPresent()) {
            Delta joined = Delta.joined(List.of(last.get(), outcome.delta()));
            history = now.history()
                    .wentOn(keeper.store()
                            .keepOn(now.id(), outcome.show(), revision, words, goesOn.get(), joined, outcome.delta()));
            last = Optional.of(joined);
        } else {
            history = now.history()
                    .made(keeper.store()
                            .keep(now.id(), outcome.show(), revision, words, request.gesture(), outcome.delta()));
            last = request.gesture().isEmpty() ? Optional.empty() : Optional.of(outcome.delta());
        }
        return keeper.store().bounded(now.id(), history);
    }

    Edited undo(int times, EditRequest request) {
        return move(times, true, request);
    }

    Edited redo(int times, EditRequest request) {
        return move(times, false, request);
    }

    /** Taking back goes by all that was done since: made on an old revision it would take back something else. */
    private Edited move(int times, boolean undo, EditRequest request) {
        return write(request, now -> {
            if (request.madeOn().filter(r -> r != now.revision()).isPresent()) {
                return Step.nothing(refused(
                        now,
                        "edit.old",
                        "This was made on revision " + request.madeOn().get() + "; the show is at " + now.revision()
                                + ", so something else would be " + (undo ? "taken back." : "done again.")));
            }
            last = Optional.empty();
            return moved(new Moving(keeper.store(), now, undo), times);
        });
    }

    private static Step moved(Moving moving, int times) {
        Outcome outcome = moving.by(times);
        return moving.nothing() ? Step.nothing(outcome) : new Step(outcome, Optional.of(moving::keep), outcome.delta());
    }

    /** The history ends at an entry that was found to be unreadable. */
    void endHistory(History.Entry entry, boolean done) {
        write(EditRequest.NOW, now -> {
            Outcome outcome = new Outcome(now.show(), Delta.NONE, new Reads(), List.of(), List.of());
            return new Step(
                    outcome,
                    Optional.of(() -> {
                        keeper.store().endHistory(now.id(), entry, done);
                        return now.history().endingAt(entry);
                    }),
                    Delta.NONE);
        });
    }

    /** Something that is kept beside the show, in its turn. */
    Edited beside(EditRequest request, String words, java.util.function.Consumer<Snapshot> keeping) {
        return write(request, now -> {
            Outcome outcome = new Outcome(now.show(), Delta.NONE, new Reads(), List.of(words), List.of());
            return new Step(
                    outcome,
                    Optional.of(() -> {
                        keeping.accept(now);
                        return now.history();
                    }),
                    Delta.NONE);
        });
    }
}
