package app.loculus.app.session;

import app.loculus.core.show.Delta;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartRef;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.Set;

/** Which parts changed at the latest revisions, as far as memory is given to it. */
final class Recent {

    /** Parts remembered together: a few megabytes. */
    private static final int MOST_PARTS = 20_000;

    private record Revision(long number, Set<PartRef> written, Set<PartRef> noticed) {

        boolean meets(Outcome outcome) {
            return outcome.reads().holdsAny(noticed)
                    || outcome.delta().changes().stream().anyMatch(c -> written.contains(c.part()));
        }
    }

    private final Deque<Revision> revisions = new ArrayDeque<>();
    private long knownSince;
    private int parts;

    /** @param knownSince everything after this revision will be told */
    Recent(long knownSince) {
        this.knownSince = knownSince;
    }

    void add(long number, Delta delta) {
        Revision revision = new Revision(number, delta.parts(), delta.noticed());
        revisions.addLast(revision);
        parts += revision.written().size();
        while (parts > MOST_PARTS) {
            Revision old = revisions.removeFirst();
            parts -= old.written().size();
            knownSince = old.number();
        }
    }

    boolean knows(long madeOn) {
        return madeOn >= knownSince;
    }

    /** Parts changed since a revision that the outcome changes or went by. */
    Set<PartRef> met(Outcome outcome, long madeOn) {
        Set<PartRef> met = new LinkedHashSet<>();
        for (Revision revision : revisions) {
            if (revision.number() > madeOn && revision.meets(outcome)) {
                add(met, outcome, revision);
            }
        }
        return met;
    }

    private static void add(Set<PartRef> met, Outcome outcome, Revision revision) {
        outcome.delta().changes().stream()
                .map(c -> c.part())
                .filter(revision.written()::contains)
                .forEach(met::add);
        revision.noticed().stream().filter(outcome.reads()::holds).forEach(met::add);
    }

    static Set<PartRef> met(Outcome outcome, Delta since) {
        Set<PartRef> met = new LinkedHashSet<>();
        add(met, outcome, new Revision(0, since.parts(), since.noticed()));
        return met;
    }
}
