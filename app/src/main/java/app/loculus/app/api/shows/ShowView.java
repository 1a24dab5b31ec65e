package app.loculus.app.api.shows;

import app.loculus.app.session.Snapshot;
import app.loculus.core.finding.Chapter;
import app.loculus.core.finding.Findings;
import app.loculus.core.finding.Readiness;
import app.loculus.core.show.History;
import java.util.List;
import java.util.Locale;

/**
 * A show at a glance.
 *
 * @param undo what undo would take back, empty for nothing
 * @param redo what redo would do again, empty for nothing
 */
record ShowView(
        long id,
        String name,
        long revision,
        boolean live,
        int fixtures,
        int universes,
        String undo,
        String redo,
        String historyEnds,
        List<ChapterView> chapters) {

    /** How one chapter stands: ready, needs-an-eye, wrong or not-begun. @param holds what there is, at length */
    record ChapterView(String name, String fact, String holds, String state) {}

    /** ready, needs-an-eye, wrong or not-begun. */
    static String word(Chapter.State state) {
        return state.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static ShowView of(Snapshot s, Findings findings, boolean live, String historyEnds) {
        List<ChapterView> chapters = Readiness.of(s.show(), findings).stream()
                .map(c -> new ChapterView(c.name(), c.fact(), c.holds(), word(c.state())))
                .toList();
        return new ShowView(
                s.id(),
                s.show().name(),
                s.revision(),
                live,
                s.show().patch().size(),
                s.show().patch().claims().size(),
                s.history().lastDone().map(History.Entry::words).orElse(""),
                s.history().nextUndone().map(History.Entry::words).orElse(""),
                historyEnds,
                chapters);
    }
}
