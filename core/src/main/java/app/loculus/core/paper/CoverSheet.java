package app.loculus.core.paper;

import app.loculus.core.finding.Chapter;
import app.loculus.core.finding.Findings;
import app.loculus.core.finding.Readiness;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;

/** What the show is and how far it is, at a glance. */
final class CoverSheet {

    private CoverSheet() {}

    static Sheet of(Show show, Findings findings) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Fixtures", HookupSheets.words(show)));
        for (Chapter c : Readiness.of(show, findings)) {
            rows.add(List.of(c.name(), c.fact()));
        }
        return new Sheet(
                show.name(),
                "",
                List.of(new Sheet.Column("", 1), new Sheet.Column("", 3)),
                List.of(new Sheet.Section(
                        "", "", false, rows, java.util.Optional.of(Plans.of(show, List.of())), false)));
    }
}
