package app.loculus.core.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Method;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.antlr.v4.runtime.BailErrorStrategy;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.misc.ParseCancellationException;
import org.antlr.v4.runtime.tree.ParseTree;
import org.junit.jupiter.api.Test;

/** Every verb of the grammar, and every form of those that have several, is typed by some test. */
class EveryVerbTest {

    private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");

    @Test
    void each_is_typed_by_a_test() throws IOException {
        Set<String> typed = new TreeSet<>();
        for (String text : literals()) {
            for (String line : text.split("\n")) {
                verb(line).ifPresent(typed::add);
            }
        }
        assertThat(typed).containsAll(verbs());
        assertThat(verbs()).hasSizeGreaterThan(100);
    }

    private static java.util.Optional<String> verb(String line) {
        LineLexer lexer = new LineLexer(CharStreams.fromString(line));
        lexer.removeErrorListeners();
        LineParser parser = new LineParser(new CommonTokenStream(lexer));
        parser.removeErrorListeners();
        parser.setErrorHandler(new BailErrorStrategy());
        try {
            LineParser.LineContext read = parser.line();
            return read.command() == null
                    ? java.util.Optional.empty()
                    : java.util.Optional.of(named(read.command().getChild(0)));
        } catch (ParseCancellationException noLine) {
            return java.util.Optional.empty();
        }
    }

    private static String named(ParseTree verb) {
        return verb.getClass().getSimpleName().replace("Context", "");
    }

    /** Rules a command may be, and the forms of those that have names of their own. */
    private static Set<String> verbs() {
        List<Class<?>> nested = List.of(LineParser.class.getDeclaredClasses());
        return Arrays.stream(LineParser.CommandContext.class.getDeclaredMethods())
                .filter(m -> m.getParameterCount() == 0)
                .map(Method::getReturnType)
                .filter(ParserRuleContext.class::isAssignableFrom)
                .flatMap(rule -> {
                    List<Class<?>> forms = nested.stream()
                            .filter(c -> c.getSuperclass() == rule)
                            .toList();
                    return forms.isEmpty() ? Stream.of(rule) : forms.stream();
                })
                .map(c -> c.getSimpleName().replace("Context", ""))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static List<String> literals() throws IOException {
        try (Stream<Path> files = Files.walk(Path.of("src/test/java"))) {
            return files.filter(f -> f.toString().endsWith(".java"))
                    .flatMap(EveryVerbTest::literalsOf)
                    .toList();
        }
    }

    private static Stream<String> literalsOf(Path file) {
        try {
            Matcher found = LITERAL.matcher(Files.readString(file));
            return found
                    .results()
                    .map(r -> r.group(1)
                            .replace("\\n", "\n")
                            .replace("\\\"", "\"")
                            .replaceAll("\\|.*", ""))
                    .toList()
                    .stream();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
