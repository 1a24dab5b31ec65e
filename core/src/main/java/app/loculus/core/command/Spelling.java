package app.loculus.core.command;

import app.loculus.core.problem.Place;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.Severity;
import app.loculus.core.problem.WayOut;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.Parser;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.Vocabulary;

/** Turns the first grammar error into a problem that marks the very word and says what would be accepted. */
final class Spelling extends BaseErrorListener {

    /** More choices than this are not a help. */
    private static final int MOST_LISTED = 30;

    /** Words that people know from elsewhere, and what does that here. */
    private static final Map<String, String> HERE = Map.of(
            "blackout", "Type master at 0, or all at out.",
            "stop", "Type pause, or release everything.",
            "help", "Press ? for the keys; what a line can go on with is offered as it is typed.",
            "again", "Press the up arrow for the line before.",
            "time", "Values take no time of their own: record a cue, and give it in 3.",
            "fade", "Values take no time of their own: record a cue, and give it in 3.",
            "load", "Type jump to cue 5, or open cue 5 to change it.",
            "assert", "Type jump to cue 5.",
            "park", "Type send, or record a highlight.");

    /** They say nothing to whoever types. */
    private static final Set<String> SIGNS = Set.of("(", ")", "&", "+", "-", ",", ":", "span", "hex", "stray");

    /** So few are listed before examples say more. */
    private static final int FEW = 8;

    /** So many wrong letters still look like a slip. */
    private static final int NEAR = 2;

    private static final int MOST_NEAR = 3;

    private static final Map<String, String> PLAIN = Map.of(
            "INT", "a number",
            "DECIMAL", "an address such as 3.1",
            "STRING", "a name in quotes",
            "WORD", "an attribute such as zoom",
            "EOF", "the end of the line");

    @Override
    public void syntaxError(
            Recognizer<?, ?> recognizer,
            Object offending,
            int line,
            int column,
            String message,
            RecognitionException e) {
        Parser parser = (Parser) recognizer;
        List<Token> all = tokens(parser);
        int[] types = all.stream().mapToInt(Token::getType).toArray();
        int rule = rule(parser);
        // A parser settles for one reading as soon as it can; another one may go further.
        boolean walked = types.length <= NextWords.LONGEST;
        int index =
                walked ? Math.min(NextWords.fitting(rule, types), all.size() - 1) : ((Token) offending).getTokenIndex();
        Token token = all.get(index);
        Token before = index > 0 ? all.get(index - 1) : null;
        boolean strayWord = before != null && before.getType() == LineLexer.WORD;
        int wrong = strayWord ? index - 1 : index;
        Set<Integer> expected = walked
                ? NextWords.expected(rule, Arrays.copyOf(types, wrong))
                : Set.copyOf(parser.getExpectedTokens().toList());
        Vocabulary vocabulary = parser.getVocabulary();
        throw new Refusal(List.of(
                strayWord ? stray(vocabulary, all, wrong, expected) : misfit(vocabulary, all, wrong, expected)));
    }

    private static List<Token> tokens(Parser parser) {
        CommonTokenStream stream = (CommonTokenStream) parser.getTokenStream();
        stream.fill();
        return stream.getTokens();
    }

    /** The rule that is read as a whole. */
    private static int rule(Parser parser) {
        ParserRuleContext context = parser.getContext();
        while (context.getParent() != null) {
            context = context.getParent();
        }
        return context.getRuleIndex();
    }

    /** A word read as an attribute, though nothing follows that an attribute could have: most often a slip. */
    private static Problem stray(Vocabulary vocabulary, List<Token> all, int at, Set<Integer> expected) {
        Token word = all.get(at);
        if (OtherWords.attribute(word.getText())) {
            return problem(
                    word,
                    "“" + word.getText() + "” has no value yet.",
                    "Say what it goes to: " + word.getText().toLowerCase(Locale.ROOT) + " at 50.");
        }
        List<String> near = near(vocabulary, expected, word);
        String advice = near.isEmpty()
                ? "Fixtures go by number, or as group, type or position; a value has at in front: zoom at 30."
                : "Did you mean " + String.join(" or ", near) + "?";
        return problem(
                word,
                "“" + word.getText() + "” is not understood here.",
                here(all, at).orElse(advice));
    }

    /** Where nothing but a sign goes on: a comma between two numbers. */
    private static String signs(Vocabulary vocabulary, Set<Integer> expected) {
        return expected.stream()
                .filter(type -> type != Token.EOF)
                .map(type -> "“" + word(vocabulary, type) + "”")
                .distinct()
                .sorted()
                .collect(Collectors.joining(" or "));
    }

    private static Problem misfit(Vocabulary vocabulary, List<Token> all, int at, Set<Integer> expected) {
        Token token = all.get(at);
        Token before = at > 0 ? all.get(at - 1) : null;
        List<String> words = expected.stream()
                .filter(type -> type != Token.EOF)
                .map(type -> word(vocabulary, type))
                .filter(word -> !SIGNS.contains(word))
                .distinct()
                .toList();
        // Where a whole number does, one with a point is not spoken of.
        List<String> said = words.contains(PLAIN.get("INT"))
                ? words.stream().filter(w -> !w.equals(PLAIN.get("DECIMAL"))).toList()
                : words;
        if (token.getType() == Token.EOF) {
            String verb = before == null ? "" : before.getText();
            boolean alone = before != null && before.getTokenIndex() == 0 && Character.isLetter(verb.charAt(0));
            return alone
                    ? problem(
                            token,
                            Character.toUpperCase(verb.charAt(0))
                                    + verb.substring(1).toLowerCase(Locale.ROOT) + " what?",
                            listed(said) + ".")
                    : problem(
                            token,
                            "The line is not finished.",
                            "Next: " + (said.isEmpty() ? signs(vocabulary, expected) : listed(said)) + ".");
        }
        List<String> near = token.getType() == LineLexer.WORD ? near(vocabulary, expected, token) : List.of();
        String advice = said.isEmpty()
                ? "The line is complete before it."
                : near.isEmpty() ? fits(token, expected, said) : "Did you mean " + String.join(" or ", near) + "?";
        return problem(
                token,
                "“" + token.getText() + "” does not fit here.",
                here(all, at).orElse(advice));
    }

    private static String fits(Token token, Set<Integer> expected, List<String> said) {
        if (token.getTokenIndex() == 0) {
            return "A line begins with fixtures, such as 11 thru 14 or group 1, or with a verb: record, patch, go.";
        }
        boolean value = expected.contains(LineLexer.AT) && expected.contains(LineLexer.COLOUR);
        return value && said.size() > FEW
                ? "Here a value fits, or a pattern: at 50, zoom at 30, colour 1, every 2."
                : "Here fits: " + listed(said) + ".";
    }

    /** What people know otherwise. */
    private static Optional<String> here(List<Token> all, int at) {
        Token word = all.get(at);
        Token before = at > 0 ? all.get(at - 1) : null;
        int first = all.get(0).getType();
        String text = word.getText().toLowerCase(Locale.ROOT);
        boolean timed =
                Set.of("time", "fade", "delay").contains(text) && (first == LineLexer.CUE || first == LineLexer.RECORD);
        if (timed) {
            return Optional.of("Times are in, out, rest and wait: in 3 out 5.");
        }
        if (word.getType() == LineLexer.CUE && before != null) {
            return before.getType() == LineLexer.NEXT
                    ? Optional.of("Type go: next steps through the selection.")
                    : before.getType() == LineLexer.PREVIOUS
                            ? Optional.of("Type back: previous steps through the selection.")
                            : Optional.empty();
        }
        return Optional.ofNullable(HERE.get(text));
    }

    private static String listed(List<String> words) {
        return words.size() > MOST_LISTED
                ? String.join(", ", words.subList(0, MOST_LISTED)) + " and others"
                : String.join(", ", words);
    }

    private static Problem problem(Token token, String words, String advice) {
        int end = token.getType() == Token.EOF ? token.getStartIndex() : token.getStopIndex() + 1;
        Place place = new Place("line", token.getStartIndex(), end);
        return new Problem("line.syntax", Severity.REFUSAL, place, words, List.of(WayOut.advice(advice)));
    }

    private static String word(Vocabulary vocabulary, int type) {
        String literal = vocabulary.getLiteralName(type);
        String name = type == Token.EOF ? "EOF" : vocabulary.getSymbolicName(type);
        return literal != null ? literal.replace("'", "") : PLAIN.getOrDefault(name, name.toLowerCase(Locale.ROOT));
    }

    /** Words that it may be a slip of, the nearest first: of those that fit there, else of all there are. */
    private static List<String> near(Vocabulary vocabulary, Set<Integer> expected, Token slip) {
        List<String> fitting = near(NEAR, expected.stream().filter(t -> t > 0).map(vocabulary::getLiteralName), slip);
        return fitting.isEmpty()
                ? near(
                        1,
                        IntStream.rangeClosed(1, vocabulary.getMaxTokenType()).mapToObj(vocabulary::getLiteralName),
                        slip)
                : fitting;
    }

    /** @param most wrong letters */
    private static List<String> near(int most, Stream<String> literals, Token slip) {
        String wrong = slip.getText().toLowerCase(Locale.ROOT);
        return literals.filter(literal -> literal != null && literal.length() > 3)
                .map(literal -> literal.replace("'", ""))
                .filter(word -> slips(word, wrong) <= Math.min(most, wrong.length() / 2))
                .sorted(Comparator.comparingInt(word -> slips(word, wrong)))
                .limit(MOST_NEAR)
                .toList();
    }

    /** Levenshtein distance: letters to add, drop or change. */
    private static int slips(String one, String other) {
        int[] row = IntStream.rangeClosed(0, other.length()).toArray();
        for (int i = 1; i <= one.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= other.length(); j++) {
                int change = diagonal + (one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(change, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[other.length()];
    }
}
