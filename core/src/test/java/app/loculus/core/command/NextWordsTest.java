package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
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
import java.util.stream.Stream;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
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
                "'list 1 ' | as chase, tracking, complete, rate",
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

    /** By the parser itself: some line that goes on with it is one. */
    @Test
    void whatever_is_offered_leads_to_a_line() {
        List<String> nowhere = Stream.of("", "1 thru 6 ", "record ", "cue 1 ", "all where ", "patch 1 ", "run ")
                .flatMap(line -> NextWords.after(line).stream().map(phrase -> line + phrase))
                .filter(begun -> !leads(begun))
                .toList();
        assertThat(nowhere).isEmpty();
    }

    private static boolean leads(String begun) {
        List<String> open = new ArrayList<>(List.of(begun));
        for (int i = 0; i < open.size() && i < 12_000; i++) {
            String line = open.get(i);
            if (parses(line)) {
                return true;
            }
            SAMPLES.forEach(s -> open.add(line + " " + s));
        }
        return false;
    }

    /** A number, a name, an attribute, a kind, what most things ask for behind them. */
    private static final List<String> SAMPLES = List.of(
            "1",
            "\"A\"",
            "Pan",
            "colour",
            "at 1.1",
            "to 2",
            "1, 1, 1",
            "lit",
            "into colour 1",
            "colour 1 in cue 1",
            "with 1",
            "of 2",
            "on \"A\"",
            "as \"A\"",
            "to \"A\"",
            "at 1, 1, 1",
            "1, 1, 1 to 2, 2, 2",
            "from 1",
            "by 1",
            "rate 3",
            "dead",
            "press",
            "in 3",
            "per type",
            "for type \"A\"",
            "colour \"A\" from 1",
            "xy 0.4, 0.4",
            "+ 1");

    private static boolean parses(String line) {
        LineLexer lexer = new LineLexer(CharStreams.fromString(line));
        lexer.removeErrorListeners();
        LineParser parser = new LineParser(new CommonTokenStream(lexer));
        parser.removeErrorListeners();
        parser.line();
        return parser.getNumberOfSyntaxErrors() == 0;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "record |Record what?|highlight, group, intensity",
                "record colour 5 \"Sea\" mrege|“mrege” does not fit here.|Did you mean merge?",
                "gel 1 xy 0.4|The line is not finished.|Next: “,”.",
                "universe 1 number 0:0|The line is not finished.|Next: “:”.",
                "1 sine of dimmer size|The line is not finished.|a number",
                "1 sine of dimmer at 20 thru 80 sise 3|“sise” is not understood here.|size",
                "freeze group 1 2|“2” does not fit here.|complete before it",
                "1 thur 3|“thur” is not understood here.|Did you mean thru?"
            })
    void a_line_is_refused_where_no_reading_goes_on_and_says_what_fits_there(String line, String words, String advice) {
        assertThatThrownBy(() -> READER.read(line)).isInstanceOfSatisfying(Refusal.class, r -> {
            assertThat(r.problems().get(0).words()).isEqualTo(words);
            assertThat(r.problems().get(0).waysOut().get(0).words()).contains(advice);
        });
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
