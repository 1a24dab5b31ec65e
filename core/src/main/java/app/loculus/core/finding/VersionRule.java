package app.loculus.core.finding;

import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.problem.WayOut;
import app.loculus.core.unit.Quoted;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** That the show is another than the version that was kept last: nobody who opens that gets what is there now. */
final class VersionRule {

    static final String NAME = "version-differs";

    /** As it is called by whoever keeps several: {@code Tuesday 2}. */
    private static final String NUMBERED = "(.*\\S) \\d+";

    private VersionRule() {}

    static Optional<Finding> found(LastVersion last) {
        if (last.changed().isEmpty()) {
            return Optional.empty();
        }
        String chapters = ChapterName.signed().stream()
                .filter(last.changed()::contains)
                .map(c -> c.words().toLowerCase(java.util.Locale.ROOT))
                .collect(Collectors.joining(", "));
        return Optional.of(new Finding(
                NAME,
                new FindingKey(NAME + ":"),
                ChapterName.HAND_OVER,
                Severity.NEEDS_A_LOOK,
                "The show is another than version “" + last.name() + "”, which was kept last.",
                "in " + chapters,
                List.of(),
                Optional.of(Spot.of("version", last.name()))));
    }

    /** The number behind its name is found by whoever keeps it. */
    static List<WayOut> waysOut(Finding finding) {
        String name = finding.spot().orElseThrow().name();
        String base = name.matches(NUMBERED) ? name.replaceFirst(NUMBERED, "$1") : name;
        return List.of(WayOut.line("Keep a version", "save version " + Quoted.of(base)));
    }
}
