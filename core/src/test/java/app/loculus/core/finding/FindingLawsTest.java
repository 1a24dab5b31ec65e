package app.loculus.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.edit.ledger.HoldToPaper;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.ledger.PaperField;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Change;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds of findings in any show. */
class FindingLawsTest {

    /** Further seeds: {@code -Dlaw.seeds=400}. */
    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 5));
    }

    private static Findings of(Show show) {
        return Findings.of(show, Rig.ALL);
    }

    /** Looks, cues and effects beside what random lines make. */
    private static String line(Random random) {
        int cue = 1 + random.nextInt(4);
        int number = 11 + random.nextInt(4);
        String[] lines = {
            number + " at " + random.nextInt(101) + " position " + (1 + random.nextInt(2)),
            number + " pan at " + (random.nextInt(500) - 250) + " tilt at " + (random.nextInt(200) - 100),
            "record position " + (1 + random.nextInt(2)) + " merge",
            "record position " + (1 + random.nextInt(2)) + " replace",
            "mark \"Chair\" at " + (random.nextInt(9) - 4) + ", " + random.nextInt(5) + ", 0",
            "record position " + (1 + random.nextInt(2)) + " at mark \"Chair\" replace",
            "place 11 thru 14 at -" + random.nextInt(5) + ",2,6 thru 4,2,6",
            "record cue " + cue + " merge",
            "record cue " + cue + " replace",
            "record cue " + cue,
            "record submaster " + (1 + random.nextInt(3)),
            "record look " + (1 + random.nextInt(3)) + " \"Look\"",
            "all sine of dimmer at 20 thru 80",
            "record effect " + (1 + random.nextInt(2)) + " \"Swell\"",
            "record intensity " + (1 + random.nextInt(2)) + " per type merge",
            "clear all",
            "mark " + number + " answered",
            "universe " + (1 + random.nextInt(2)) + " off",
            "rename group " + (1 + random.nextInt(4)) + " \"Some\"",
            "name " + number + " \"Lamp\"",
            "prepare cue " + cue,
            "tidy cue " + cue,
            "tidy cue " + cue + " into palettes",
            number + " pan at -" + (60 + random.nextInt(60)) + " tilt at 60",
            number + " pan at " + (60 + random.nextInt(60)) + " tilt at -60",
            "all colour xy 0.17, 0.7",
            "record colour " + (1 + random.nextInt(2)) + " replace",
            "all sine of zoom at 10 thru 90",
            "delete cue " + cue,
        };
        return lines[random.nextInt(lines.length)];
    }

    private static Paperwork paper(Random random) {
        List<HookupRow> rows = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            int number = 11 + random.nextInt(15);
            rows.add(new HookupRow(
                    i + 2,
                    String.valueOf(number),
                    random.nextBoolean() ? "Lamp " + i : "",
                    "Wash",
                    "",
                    random.nextInt(4) == 0 ? "" : "2." + (1 + random.nextInt(400)),
                    "Bridge",
                    ""));
        }
        Set<PaperField> columns = new HashSet<>(Set.of(PaperField.values()));
        columns.removeIf(f -> f != PaperField.NUMBER && random.nextInt(3) == 0);
        return new Paperwork("paper", "2026-11-24", columns, rows);
    }

    private static Show step(Show show, RandomLines lines, Random random) {
        if (random.nextInt(25) == 0) {
            return new HoldToPaper(paper(random)).apply(show).show();
        }
        if (random.nextBoolean()) {
            return lines.step(show);
        }
        Outcome outcome = Rig.say(show, line(random));
        return outcome.refused() ? show : outcome.show();
    }

    /** The same show with nothing known of any before it. */
    private static Show fresh(Show show) {
        List<Change<?, ?>> parts = new ArrayList<>();
        PartKinds.ALL.forEach(kind -> all(kind, show, parts));
        return Show.of(show.name(), parts, new ArrayList<>());
    }

    private static <K, V> void all(PartKind<K, V> kind, Show show, List<Change<?, ?>> parts) {
        show.all(kind).forEach((k, v) -> parts.add(new Change<>(kind, k, Optional.empty(), Optional.of(v))));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void what_was_known_before_changes_no_answer_and_keys_are_no_two_findings(long seed) {
        Random random = new Random(seed);
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        int most = 0;
        for (int i = 0; i < 60; i++) {
            show = step(show, lines, random);
            List<Finding> found = of(show).all();
            most = Math.max(most, found.size());
            assertThat(found)
                    .as("after %s", lines.said())
                    .isEqualTo(of(fresh(show)).all());
            assertThat(found.stream().map(Finding::key)).doesNotHaveDuplicates();
        }
        assertThat(most).isGreaterThan(2);
    }

    /** How bad a show is: units named by findings, and findings. */
    private static Map<String, Finding> byKey(Show show) {
        return of(show).all().stream().collect(Collectors.toMap(f -> f.key().value(), Function.identity()));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void what_is_offered_makes_its_finding_go_away_or_smaller(long seed) {
        Random random = new Random(seed + 1000);
        RandomLines lines = new RandomLines(seed + 1000);
        Show show = Rig.everyKind();
        int tried = 0;
        for (int i = 0; i < 60; i++) {
            show = step(show, lines, random);
            if (i % 6 != 5) {
                continue;
            }
            Findings findings = of(show);
            Map<String, Finding> before = byKey(show);
            for (Finding f : findings.all()) {
                for (WayOut way : findings.waysOut(f)) {
                    Outcome outcome = Rig.say(show, way.line().orElseThrow());
                    assertThat(outcome.refused())
                            .as("%s: %s: %s", f.words(), way, outcome.problems())
                            .isFalse();
                    Map<String, Finding> after = byKey(outcome.show());
                    Finding left = after.get(f.key().value());
                    assertThat(left == null || left.who().size() < f.who().size())
                            .as("%s: %s leaves %s", f, way, left)
                            .isTrue();
                    long worse = after.values().stream()
                            .filter(n -> n.severity() == Severity.WRONG
                                    && !before.containsKey(n.key().value())
                                    && !n.rule().equals("paper"))
                            .count();
                    assertThat(worse).as("%s: %s", f.words(), way).isZero();
                    tried++;
                }
            }
        }
        assertThat(tried).isPositive();
    }
}
