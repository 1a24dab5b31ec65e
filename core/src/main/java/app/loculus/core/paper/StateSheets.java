package app.loculus.core.paper;

import app.loculus.core.finding.Finding;
import app.loculus.core.finding.Findings;
import app.loculus.core.finding.Severity;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.Signature;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** How the work stands: what is open, what was set aside and why, who signed which chapter. */
final class StateSheets {

    private StateSheets() {}

    static Sheet openPoints(Show show, Findings findings) {
        List<Sheet.Section> sections = new ArrayList<>();
        for (ChapterName chapter : ChapterName.values()) {
            List<List<String>> rows = findings.open(chapter).stream()
                    .map(f -> List.of("", severity(f), f.words(), f.beside()))
                    .toList();
            if (!rows.isEmpty()) {
                sections.add(new Sheet.Section(chapter.words(), rows.size() + " open", false, rows));
            }
        }
        List<List<String>> aside = findings.all().stream()
                .filter(f -> findings.aside(f).isPresent())
                .map(f -> {
                    Aside said = findings.aside(f).get();
                    return List.of(
                            "",
                            "",
                            f.words(),
                            (said.reason().isEmpty() ? "" : "“" + said.reason() + "”, ") + said.on());
                })
                .toList();
        if (!aside.isEmpty()) {
            sections.add(new Sheet.Section("Set aside", String.valueOf(aside.size()), false, aside));
        }
        int open = findings.open().size();
        return new Sheet(
                "Open points",
                open == 0 ? "Nothing is open." : Numbers.count(open, "open point"),
                List.of(
                        Sheet.Column.tick("Done", .6),
                        new Sheet.Column("", .8),
                        new Sheet.Column("What", 4.6),
                        new Sheet.Column("", 3)),
                sections);
    }

    private static String severity(Finding f) {
        return f.severity() == Severity.WRONG ? "wrong" : "";
    }

    /** @param changed whether a chapter is another than when it was signed */
    static Sheet readiness(Show show, Findings findings, Predicate<ChapterName> changed) {
        List<List<String>> rows = new ArrayList<>();
        for (ChapterName chapter : ChapterName.signed()) {
            Optional<Signature> signed = show.find(PartKinds.SIGNATURES, chapter);
            int all = (int)
                    findings.all().stream().filter(f -> f.chapter() == chapter).count();
            int open = findings.open(chapter).size();
            rows.add(List.of(
                    chapter.words(),
                    String.valueOf(open),
                    String.valueOf(all - open),
                    signed.map(Signature::by).orElse(""),
                    signed.map(Signature::on).orElse(""),
                    signed.map(s -> (s.open() == 0 ? "" : s.open() + " open then")
                                    + (s.open() > 0 && changed.test(chapter) ? "; " : "")
                                    + (changed.test(chapter) ? "changed since" : ""))
                            .orElse("")));
        }
        return new Sheet(
                "Readiness",
                "Who signs says that the chapter is ready to be worked with.",
                List.of(
                        new Sheet.Column("Chapter", 2),
                        Sheet.Column.number("Open", .8),
                        Sheet.Column.number("Set aside", 1),
                        new Sheet.Column("Signed by", 2.4),
                        new Sheet.Column("On", 1.3),
                        new Sheet.Column("", 2)),
                List.of(new Sheet.Section("", "", false, rows)));
    }
}
