package app.loculus.app.session;

import app.loculus.app.store.ShowStore;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;

/** One show that is open. Writing is one at a time; the snapshot may be read from any thread. */
final class OpenShow {

    private static final int KEYS_KEPT = 500;
    private static final int REVISIONS_KEPT = 500;

    private final ShowStore store;
    private final BiConsumer<Snapshot, Set<String>> changed;
    private final Map<String, Edited> answered = new LinkedHashMap<>();
    private final Deque<Revision> recent = new ArrayDeque<>();
    private volatile Snapshot snapshot;

    private record Revision(long number, Delta delta) {}

    OpenShow(ShowStore store, Snapshot snapshot, BiConsumer<Snapshot, Set<String>> changed) {
        this.store = store;
        this.snapshot = snapshot;
        this.changed = changed;
    }

    Snapshot snapshot() {
        return snapshot;
    }

    synchronized Edited edit(ShowEdit edit, EditRequest request) {
        if (!request.key().isEmpty() && answered.containsKey(request.key())) {
            return answered.get(request.key());
        }
        Outcome outcome = rebased(edit.apply(snapshot.show()), request);
        if (!outcome.refused() && !request.preview() && !outcome.delta().isEmpty()) {
            keep(outcome, request);
        }
        Edited edited = new Edited(outcome, snapshot);
        remember(request, edited);
        return edited;
    }

    /** An edit made on an old revision stands if it touches nothing that has changed since. */
    private Outcome rebased(Outcome outcome, EditRequest request) {
        long madeOn = request.madeOn().orElse(snapshot.revision());
        Set<Object> met = new LinkedHashSet<>();
        recent.stream()
                .filter(r -> r.number > madeOn)
                .forEach(r -> met.addAll(outcome.delta().meets(r.delta)));
        if (met.isEmpty()) {
            return outcome;
        }
        Problem problem = Problem.refusal(
                "edit.old",
                "revision",
                "This was made on revision " + madeOn + "; since then " + met.size()
                        + " of the parts it touches have changed.",
                WayOut.advice("Look at the show as it is now, revision " + snapshot.revision() + ", and do it again."));
        return new Outcome(snapshot.show(), Delta.NONE, List.of(), List.of(problem));
    }

    private void remember(EditRequest request, Edited edited) {
        if (!request.key().isEmpty() && !request.preview()) {
            answered.put(request.key(), edited);
            if (answered.size() > KEYS_KEPT) {
                answered.remove(answered.keySet().iterator().next());
            }
        }
    }

    private void keep(Outcome outcome, EditRequest request) {
        long revision = snapshot.revision() + 1;
        String words = outcome.words().isEmpty() ? "Edit" : outcome.words().get(0);
        long entry = store.keep(snapshot.id(), outcome.show(), revision, words, request.gesture(), outcome.delta());
        History history = snapshot.history().made(new History.Entry(entry, words, request.gesture(), outcome.delta()));
        become(outcome.show(), revision, history, List.of(outcome.delta()));
    }

    synchronized List<String> undo(int times) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < times && snapshot.history().lastDone().isPresent(); i++) {
            List<History.Entry> entries = snapshot.history().toUndo();
            words.add("Undoes: " + entries.get(0).words());
            move(entries, entries.stream().map(e -> e.delta().reversed()).toList(), true);
        }
        return words;
    }

    synchronized List<String> redo(int times) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < times && snapshot.history().nextUndone().isPresent(); i++) {
            List<History.Entry> entries = snapshot.history().toRedo();
            words.add("Does again: " + entries.get(entries.size() - 1).words());
            move(entries, entries.stream().map(History.Entry::delta).toList(), false);
        }
        return words;
    }

    private void move(List<History.Entry> entries, List<Delta> deltas, boolean undo) {
        Show show = snapshot.show();
        for (Delta delta : deltas) {
            show = show.with(delta);
        }
        long revision = snapshot.revision() + 1;
        History before = snapshot.history();
        History after = undo ? before.undone(entries.size()) : before.redone(entries.size());
        store.keepMarked(
                snapshot.id(),
                show,
                revision,
                entries.stream().map(History.Entry::id).toList(),
                undo,
                deltas);
        become(show, revision, after, deltas);
    }

    private void become(Show show, long revision, History history, List<Delta> deltas) {
        snapshot = new Snapshot(snapshot.id(), show, revision, history);
        Set<String> areas = new LinkedHashSet<>();
        deltas.forEach(delta -> {
            recent.addLast(new Revision(revision, delta));
            areas.addAll(delta.areas());
        });
        while (recent.size() > REVISIONS_KEPT) {
            recent.removeFirst();
        }
        changed.accept(snapshot, areas);
    }
}
