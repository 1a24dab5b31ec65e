package app.loculus.core.finding;

import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Shapes;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Everything that the rules find in a show. */
public final class Findings {

    private static final List<Rule> RULES = new ArrayList<>();

    static {
        RULES.addAll(ProfileRules.ALL);
        RULES.addAll(PatchRules.ALL);
        RULES.addAll(PaperRules.ALL);
        RULES.addAll(UniverseRules.ALL);
        RULES.addAll(GroupRules.ALL);
        RULES.addAll(PaletteRules.ALL);
        RULES.addAll(LookRules.ALL);
        RULES.addAll(CueRules.ALL);
        RULES.addAll(NameRules.ALL);
    }

    /** What a rule found last. @param by the very parts it went by */
    private record Answer(List<Object> by, List<Finding> found) {}

    /** For shows to come. */
    private record Worked(Profiles library, Map<String, Answer> byRule, List<Finding> all) {}

    private final Show show;
    private final Profiles library;
    private final List<Finding> all;

    /** Of a show of which no version was kept. */
    public static Findings of(Show show, Profiles library) {
        return of(show, library, Optional.empty());
    }

    private Findings(Show show, Profiles library, List<Finding> all) {
        this.show = show;
        this.library = library;
        this.all = all;
    }

    /**
     * @param library what there is to be had beside what the show holds
     * @param last the version that was kept last
     */
    public static Findings of(Show show, Profiles library, Optional<LastVersion> last) {
        Worked worked = show.growing(Worked.class, before -> worked(show, library, before));
        // The library is not the show's: it may be another one for the same show.
        Worked now = worked.library() == library ? worked : worked(show, library, Optional.of(worked));
        List<Finding> all = new ArrayList<>(now.all());
        last.flatMap(VersionRule::found).ifPresent(all::add);
        return new Findings(show, library, List.copyOf(all));
    }

    private static Worked worked(Show show, Profiles library, Optional<Worked> before) {
        Map<String, Answer> byRule = new HashMap<>();
        List<Finding> all = new ArrayList<>();
        for (Rule rule : RULES) {
            List<Object> parts = parts(rule, show, library);
            Answer answer = before.map(b -> b.byRule().get(rule.name()))
                    .filter(a -> Shapes.same(a.by(), parts))
                    .orElseGet(() -> new Answer(parts, rule.found(show, library)));
            byRule.put(rule.name(), answer);
            all.addAll(answer.found());
        }
        all.sort(Comparator.comparing(Finding::chapter).thenComparing(Finding::severity));
        return new Worked(library, byRule, List.copyOf(all));
    }

    private static List<Object> parts(Rule rule, Show show, Profiles library) {
        List<Object> parts = new ArrayList<>(rule.goesBy(show));
        parts.add(library);
        return parts;
    }

    /** By chapter, the worst first. */
    public List<Finding> all() {
        return all;
    }

    /** Those that nobody has set aside as they are. */
    public List<Finding> open() {
        return all.stream().filter(f -> aside(f).isEmpty()).toList();
    }

    public List<Finding> open(ChapterName chapter) {
        return open().stream().filter(f -> f.chapter() == chapter).toList();
    }

    /** What was said when just this was set aside. */
    public Optional<Aside> aside(Finding finding) {
        return show.find(PartKinds.ASIDES, finding.key()).filter(finding::meant);
    }

    /** What was said when it was set aside and was about something else. */
    public Optional<Aside> before(Finding finding) {
        return show.find(PartKinds.ASIDES, finding.key()).filter(a -> !finding.meant(a));
    }

    public Optional<Finding> find(String key) {
        return all.stream().filter(f -> f.key().value().equals(key)).findFirst();
    }

    /** Whether what can be done about it is found in a moment. */
    public boolean quick(Finding finding) {
        return RULES.stream().filter(r -> r.name().equals(finding.rule())).allMatch(Rule::quick);
    }

    /** What can be done about it, the best first. */
    public List<WayOut> waysOut(Finding finding) {
        if (finding.rule().equals(VersionRule.NAME)) {
            return VersionRule.waysOut(finding);
        }
        return RULES.stream()
                .filter(r -> r.name().equals(finding.rule()))
                .findFirst()
                .map(r -> r.waysOut(show, library, finding))
                .orElse(List.of());
    }
}
