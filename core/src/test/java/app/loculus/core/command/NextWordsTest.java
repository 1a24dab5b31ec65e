package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NextWordsTest {

    private static final LineReader READER = new LineReader(Rig.ALL);

    private static final Set<String> GRAMMAR = IntStream.rangeClosed(1, LineLexer.VOCABULARY.getMaxTokenType())
            .mapToObj(LineLexer.VOCABULARY::getLiteralName)
            .filter(l -> l != null && Character.isLetter(l.charAt(1)))
            .map(l -> l.replace("'", ""))
            .collect(Collectors.toCollection(TreeSet::new));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | record, starter groups, starter palettes, starter effects, take, compact universe, go",
                "'record ' | group, cue, colour, highlight, submaster",
                "'1 thru 6 sine of dimmer ' | size, rate, offset, duty, and",
                "'take ' | out",
                "'1 thru 6 ' | at, every, mirror, sort by across, sort by number, colour",
                "'record colour 1 ' | per type, per fixture, merge, replace, keep references, close wheel",
                "'1 at ' | full, out",
                "'list 1 ' | as chase, carrying on, standing alone, rate",
                "'all where ' | lit, not, uses, in"
            })
    void what_fits_is_offered(String line, String words) {
        List<String> wanted = Arrays.asList(words.split(", "));
        List<String> offered = NextWords.after(line);
        assertThat(offered).containsAll(wanted);
    }

    @ParameterizedTest
    @CsvSource({"'record ', thru", "'take ', over", "'undo ', redo", "'1 ', group", "'', full"})
    void what_does_not_is_not(String line, String word) {
        assertThat(NextWords.after(line)).doesNotContain(word).noneMatch(w -> w.startsWith(word + " "));
    }

    /** Read by the line itself: what is wrong with it then lies behind the word, never at it. */
    @Test
    void each_word_of_the_grammar_is_offered_somewhere() {
        Set<String> offered = new TreeSet<>();
        List<String> open = new ArrayList<>(List.of(
                "",
                "record colour 1 ",
                "record group 1 ",
                "record cue 1 ",
                "universe 1 ",
                "cue 1 ",
                "cue 1 next ",
                "cue 1 next 3 ",
                "cue 1 next 3 after ",
                "move cue 1 ",
                "fill colour 1 ",
                "narrow colour 1 ",
                "take colour 1 ",
                "patch 1 at 1.1 over 2 "));
        for (int i = 0; i < open.size() && open.size() < 6_000; i++) {
            for (String phrase : NextWords.after(open.get(i))) {
                for (String word : phrase.split(" ")) {
                    if (offered.add(word)) {
                        // What stands behind it: nothing, a number, a name, an attribute.
                        String line = open.get(i) + phrase;
                        open.addAll(List.of(
                                line + " ", line + " 1 ", line + " \"A\" ", line + " Pan ", line + " 1, 1, 1 "));
                    }
                }
            }
        }
        assertThat(offered).containsAll(GRAMMAR);
    }

    @Test
    void nothing_that_is_offered_is_refused_at_that_word() {
        for (String line :
                List.of("", "1 thru 6 ", "record ", "cue 1 ", "all where ", "effect 1 ", "patch 1 ", "run ")) {
            for (String phrase : NextWords.after(line)) {
                assertThat(refusedAt(line + phrase)).as(line + phrase).isGreaterThanOrEqualTo((line + phrase).length());
            }
        }
    }

    private static int refusedAt(String line) {
        try {
            READER.read(line);
            return Integer.MAX_VALUE;
        } catch (Refusal refusal) {
            Problem problem = refusal.problems().get(0);
            return problem.code().equals("line.syntax") ? problem.place().from() : Integer.MAX_VALUE;
        }
    }

    /** Every word of lines that are accepted was offered where it stands. */
    @Test
    void every_word_of_a_line_is_offered_before_it_is_typed() {
        RandomLines random = new RandomLines(4);
        Show show = Rig.everyKind();
        for (int i = 0; i < 150; i++) {
            show = random.step(show);
        }
        Set<String> said = new LinkedHashSet<>(random.said());
        int words = 0;
        for (String line : said) {
            if (!line.startsWith("(refused)")) {
                words += offered(line);
            }
        }
        assertThat(words).isGreaterThan(100);
    }

    private static int offered(String line) {
        int words = 0;
        int at = 0;
        boolean quoted = false;
        for (String word : line.split("(?<= )")) {
            String plain = word.strip().toLowerCase(Locale.ROOT);
            if (!quoted && GRAMMAR.contains(plain)) {
                assertThat(NextWords.after(line.substring(0, at)))
                        .as(line)
                        .anyMatch(p -> p.equals(plain) || p.startsWith(plain + " "));
                words++;
            }
            at += word.length();
            quoted ^= word.chars().filter(c -> c == '"').count() % 2 == 1;
        }
        return words;
    }
}
