package app.loculus.core.finding;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/** Finds one kind of thing. Without state; what it goes by is in the parts it reads. */
abstract class Rule {

    private final String name;
    private final ChapterName chapter;
    private final List<PartKind<?, ?>> reads;

    /**
     * @param name stable: it stands in the keys of what was set aside
     * @param reads kinds of part that what it finds goes by
     */
    Rule(String name, ChapterName chapter, PartKind<?, ?>... reads) {
        this.name = name;
        this.chapter = chapter;
        this.reads = List.of(reads);
    }

    /** Takes what is found, in order. */
    final class Found {
        private final List<Finding> all = new ArrayList<>();

        /**
         * @param about what tells it from others of the rule, stable; empty where there is one at most
         * @param beside may be empty
         */
        void add(Object about, Severity severity, String words, String beside, Collection<UnitId> who, Spot spot) {
            all.add(new Finding(
                    name,
                    new FindingKey(name + ":" + about),
                    chapter,
                    severity,
                    words,
                    beside,
                    List.copyOf(who),
                    Optional.ofNullable(spot)));
        }

        void look(Object about, String words, String beside, Collection<UnitId> who, Spot spot) {
            add(about, Severity.NEEDS_A_LOOK, words, beside, who, spot);
        }

        void wrong(Object about, String words, String beside, Collection<UnitId> who, Spot spot) {
            add(about, Severity.WRONG, words, beside, who, spot);
        }
    }

    /** @param library what there is to be had beside what the show holds */
    abstract void find(Show show, Profiles library, Found found);

    /** Whether its ways out are found in a moment, however large the show is. */
    boolean quick() {
        return true;
    }

    /** What can be done about a finding of this rule, the best first; each line makes it go away, or smaller. */
    List<WayOut> waysOut(Show show, Profiles library, Finding finding) {
        return List.of();
    }

    final List<Finding> found(Show show, Profiles library) {
        Found found = new Found();
        find(show, library, found);
        return List.copyOf(found.all);
    }

    final String name() {
        return name;
    }

    /** The very parts that what it finds goes by: found again when one is another. */
    List<Object> goesBy(Show show) {
        List<Object> parts = new ArrayList<>();
        reads.forEach(kind -> parts.add(show.all(kind)));
        return parts;
    }

    /** What a line would make of a show; empty where it would be refused. Asked where that is not plain to see. */
    private static Optional<Show> after(Show show, Profiles library, String line) {
        try {
            if (new LineReader(library).read(line) instanceof Command.Edit edit) {
                Outcome outcome = edit.edit().apply(show);
                return outcome.refused() ? Optional.empty() : Optional.of(outcome.show());
            }
            return Optional.empty();
        } catch (Refusal notUnderstood) {
            return Optional.empty();
        }
    }

    static boolean taken(Show show, Profiles library, String line) {
        return after(show, library, line).isPresent();
    }

    /** Whether a line would be taken, and the finding be gone or smaller. */
    final boolean mends(Show show, Profiles library, Finding finding, String line) {
        return after(show, library, line)
                .filter(then -> smaller(finding, found(then, library)))
                .isPresent();
    }

    /** The same, and whether fewer be named by the rule than now, all in all. */
    final boolean mendsAndFewer(Show show, Profiles library, Finding finding, String line) {
        return after(show, library, line)
                .map(then -> found(then, library))
                .filter(then -> smaller(finding, then) && named(then) < named(found(show, library)))
                .isPresent();
    }

    private static int named(List<Finding> found) {
        return found.stream().mapToInt(f -> f.who().size()).sum();
    }

    private static boolean smaller(Finding finding, List<Finding> then) {
        return then.stream()
                .noneMatch(f -> f.key().equals(finding.key())
                        && f.who().size() >= finding.who().size());
    }

    static List<UnitId> whole(Collection<FixtureId> fixtures) {
        return fixtures.stream().map(UnitId::whole).toList();
    }

    /** Numbers of the fixtures of units, each once, as they are written. */
    static String numbers(Show show, Collection<UnitId> units) {
        return Numbers.text(units.stream()
                .map(u -> show.patch().get(u.fixture()).number())
                .distinct()
                .sorted()
                .toList());
    }

    static String count(Collection<UnitId> units, String one) {
        return Numbers.count(
                (int) units.stream().map(UnitId::fixture).distinct().count(), one);
    }
}
