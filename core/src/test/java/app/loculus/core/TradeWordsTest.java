package app.loculus.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One thing has one word, wherever a person reads it: on the pages, in readings and refusals, on paper, in the README. */
class TradeWordsTest {

    /**
     * A word, and what it stands in place of.
     *
     * @param use what is written
     * @param line words of it that the line takes; none when the line has no use for it
     * @param not expressions that no text has
     */
    record Word(String use, List<String> line, List<String> not) {

        static Word of(String use, String line, String... not) {
            return new Word(use, line.isEmpty() ? List.of() : List.of(line.split(" ")), List.of(not));
        }

        @Override
        public String toString() {
            return use;
        }
    }

    static final List<Word> WORDS = List.of(
            Word.of("selection, selected", "hand", "\\b[Ii]n hand\\b"),
            Word.of("Select, Add, Remove, Both", "", "\\bshow off\\b", "\\bShow off\\b"),
            Word.of("Find… fixtures that are lit", "lit dark active", "\\b[Tt]hose who\\b"),
            Word.of("active", "active", "away from home"),
            Word.of("nothing, no fixture", "", "\\b[Nn]obody\\b", "\\b[Ee]verybody\\b"),
            Word.of("tracking", "tracking", "\\bcarrying on\\b", "\\bcarried on\\b"),
            Word.of("each cue complete", "complete", "\\bstanding alone\\b", "\\bstand alone\\b"),
            Word.of("follows 6 s after start, follows on", "after", "the next one \\d", "its beginning"),
            Word.of("Save changes, Discard changes", "update close", "\\b[Pp]uts? back\\b", "\\b[Cc]lose as it was\\b"),
            Word.of("cycles a minute", "rate", "rounds a minute"),
            Word.of("duty", "duty", "\\bup for \\d"),
            Word.of("in step, out and back", "offset", "\\ball alike\\b", "\\bthere and back\\b"),
            Word.of("relative to the level below", "size", "around what (is|lies) below"),
            Word.of("Running, not stored", "", "[Ss]et, not recorded"),
            Word.of("Archive", "", "\\b[Pp]ut away\\b", "\\b[Ff]etch back\\b"),
            Word.of("Delete version, Discard draft", "delete", "\\b[Ff]orgets?\\b(?!-)"),
            Word.of("Import…, Export…", "", "\\b[Bb]ring in\\b", "\\b[Tt]ake in…"),
            Word.of("touched, all", "touched all", "what I touched", "all that is on"),
            Word.of("highlight", "highlight", "\\b[Ss]hows? off\\b"),
            Word.of("press and hold to send", "send", "[Hh]old it down to (do|send) it"),
            Word.of("needs a look", "", "\\bneeds? an eye\\b"),
            Word.of("release", "release", "\\b[Ll]ets? go of\\b"));

    private static final Path ROOT = Path.of("..");
    private static final Pattern JAVA_TEXT = Pattern.compile("\"((?:[^\"\\\\\n]|\\\\.)* (?:[^\"\\\\\n]|\\\\.)*)\"");
    private static final Pattern COMMENTS = Pattern.compile("/\\*.*?\\*/|(?m)^\\s*//.*$", Pattern.DOTALL);

    static List<Word> words() {
        return WORDS;
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("words")
    void no_text_has_another_word_for_it(Word word) {
        List<String> found = new ArrayList<>();
        for (String not : word.not()) {
            Pattern pattern = Pattern.compile(not);
            texts().forEach(t -> {
                Matcher at = pattern.matcher(t.words());
                while (at.find()) {
                    int from = Math.max(0, at.start() - 40);
                    int to = Math.min(t.words().length(), at.end() + 40);
                    found.add(t.file() + ": …" + t.words().substring(from, to).replace('\n', ' ') + "…");
                }
            });
        }
        assertThat(found).as("written as “" + word.use() + "”").isEmpty();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("words")
    void the_line_takes_it(Word word) {
        String grammar = read(Path.of("src/main/antlr4/app/loculus/core/command/Line.g4"));
        assertThat(word.line()).allSatisfy(w -> assertThat(grammar).contains("'" + w + "'"));
    }

    @Test
    void the_texts_are_found() {
        assertThat(texts().stream().map(Text::file))
                .anyMatch(f -> f.endsWith("README.md"))
                .anyMatch(f -> f.endsWith(".tsx"))
                .anyMatch(f -> f.endsWith(".java"));
        assertThat(texts().stream().mapToInt(t -> t.words().length()).sum()).isGreaterThan(200_000);
    }

    /** @param words all that a person may read of a file */
    private record Text(String file, String words) {}

    private static List<Text> known;

    private static synchronized List<Text> texts() {
        if (known == null) {
            known = new ArrayList<>();
            known.add(new Text("README.md", read(ROOT.resolve("README.md"))));
            in("web/src")
                    .filter(f -> f.toString().matches(".*\\.tsx?$"))
                    .filter(f -> !f.toString().matches(".*(\\.test\\.tsx?|schema\\.d\\.ts)$"))
                    .forEach(f -> known.add(
                            new Text(f.toString(), COMMENTS.matcher(read(f)).replaceAll(" "))));
            for (String module : List.of("core", "formats", "app")) {
                in(module + "/src/main/java")
                        .filter(f -> f.toString().endsWith(".java"))
                        .forEach(f -> known.add(new Text(f.toString(), literals(read(f)))));
            }
        }
        return known;
    }

    private static String literals(String source) {
        StringBuilder all = new StringBuilder();
        Matcher text = JAVA_TEXT.matcher(COMMENTS.matcher(source).replaceAll(" "));
        while (text.find()) {
            all.append(text.group(1)).append('\n');
        }
        return all.toString();
    }

    private static Stream<Path> in(String folder) {
        try (Stream<Path> files = Files.walk(ROOT.resolve(folder))) {
            return files.filter(Files::isRegularFile).sorted().toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
