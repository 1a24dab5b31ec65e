package app.loculus.app.api.check;

import app.loculus.app.session.MendedBook;
import app.loculus.app.session.Overview;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.core.finding.Findings;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What is missing, clashing or does not answer, with what can be done about each. */
@RestController
class CheckController {

    private final Shows shows;
    private final Overview overview;
    private final MendedBook mended;

    CheckController(Shows shows, Overview overview, MendedBook mended) {
        this.shows = shows;
        this.overview = overview;
        this.mended = mended;
    }

    @GetMapping("/api/shows/{id}/check")
    CheckView check(@PathVariable long id) {
        Snapshot snapshot = shows.get(id);
        Findings findings = overview.of(snapshot);
        mended.look(snapshot, findings);
        return CheckView.of(snapshot.show(), snapshot.revision(), findings, mended.today(id));
    }

    /** What can be done about one of them; nothing where it is gone by now. */
    @GetMapping("/api/shows/{id}/check/ways")
    List<CheckView.WayView> ways(@PathVariable long id, @RequestParam String key) {
        Findings findings = overview.of(shows.get(id));
        return findings.find(key).map(f -> CheckView.WayView.of(findings, f)).orElse(List.of());
    }
}
