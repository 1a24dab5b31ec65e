package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Words in any order are read or refused, and what is refused is shown where it stands. */
class AnyWordsTest {

    private static final List<String> WORDS = words();

    private static List<String> words() {
        List<String> words = new ArrayList<>(IntStream.rangeClosed(1, LineLexer.VOCABULARY.getMaxTokenType())
                .mapToObj(LineLexer.VOCABULARY::getLiteralName)
                .filter(w -> w != null)
                .map(w -> w.substring(1, w.length() - 1))
                .toList());
        words.addAll(OtherWords.MEAN.keySet());
        words.addAll(OtherWords.ADD_NOTHING);
        for (int i = 0; i < 30; i++) {
            words.addAll(List.of("11", "14", "99", "50", "3.1", "\"Name\"", "red", "full", "at"));
        }
        words.addAll(
                List.of("@", "%", "°", "/", "odd", "even", "thru14at50", "at50", "half", "Ember", "\"", "“", "11-14"));
        return words;
    }

    /** Further seeds: {@code -Dlaw.seeds=400}. */
    static LongStream seeds() {
        return LongStream.rangeClosed(1, Long.getLong("law.seeds", 6));
    }

    private static void placed(String line, List<Problem> problems) {
        assertThat(problems).isNotEmpty();
        for (Problem p : problems) {
            if (p.place().inText()) {
                assertThat(p.place().from()).as("%s: %s", line, p).isBetween(0, line.length());
                assertThat(p.place().to())
                        .as("%s: %s", line, p)
                        .isBetween(p.place().from(), line.length());
            }
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void any_words_are_read_or_refused_where_they_stand(long seed) {
        Random random = new Random(seed);
        Show show = Rig.everyKind();
        LineReader reader = new LineReader(Rig.ALL);
        for (int i = 0; i < 250; i++) {
            String line = IntStream.range(0, 1 + random.nextInt(7))
                    .mapToObj(k -> WORDS.get(random.nextInt(WORDS.size())))
                    .collect(Collectors.joining(" "));
            try {
                if (reader.read(line) instanceof Command.Edit edit) {
                    var outcome = edit.edit().apply(show);
                    if (outcome.refused()) {
                        placed(line, outcome.problems());
                    }
                }
            } catch (Refusal refusal) {
                placed(line, refusal.problems());
            } catch (RuntimeException broken) {
                throw new AssertionError(line, broken);
            }
        }
    }
}
