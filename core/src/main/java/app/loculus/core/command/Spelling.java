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
import java.util.Set;
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
    private static final int MOST_LISTED = 10;

    /** So many wrong letters still look like a slip. */
    private static final int NEAR = 2;

    private static final int MOST_NEAR = 3;

    private static final Map<String, String> PLAIN = Map.of(
            "INT", "a number",
            "DECIMAL", "universe.slot or a decimal number",
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
        throw new Refusal(
                List.of(strayWord ? stray(vocabulary, before, expected) : misfit(vocabulary, token, expected)));
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
    private static Problem stray(Vocabulary vocabulary, Token word, Set<Integer> expected) {
        List<String> near = near(vocabulary, expected, word);
        String advice = near.isEmpty()
                ? "Words of the line are such as thru, at, group, colour; an attribute is followed by at."
                : "Did you mean " + String.join(" or ", near) + "?";
        return problem(word, "“" + word.getText() + "” is not understood here.", advice);
    }

    private static Problem misfit(Vocabulary vocabulary, Token token, Set<Integer> expected) {
        String found = token.getType() == Token.EOF
                ? "The line stops too early."
                : "“" + token.getText() + "” does not fit here.";
        List<String> words =
                expected.stream().map(type -> word(vocabulary, type)).distinct().toList();
        List<String> near = token.getType() == LineLexer.WORD ? near(vocabulary, expected, token) : List.of();
        String advice = words.isEmpty()
                ? "Something else was expected."
                : near.isEmpty()
                        ? "Expected here: " + listed(words) + "."
                        : "Did you mean " + String.join(" or ", near) + "?";
        return problem(token, found, advice);
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
        List<String> fitting = near(expected.stream().filter(t -> t > 0).map(vocabulary::getLiteralName), slip);
        return fitting.isEmpty()
                ? near(
                        IntStream.rangeClosed(1, vocabulary.getMaxTokenType()).mapToObj(vocabulary::getLiteralName),
                        slip)
                : fitting;
    }

    private static List<String> near(Stream<String> literals, Token slip) {
        String wrong = slip.getText().toLowerCase(Locale.ROOT);
        return literals.filter(literal -> literal != null && literal.length() > 3)
                .map(literal -> literal.replace("'", ""))
                .filter(word -> slips(word, wrong) <= Math.min(NEAR, wrong.length() / 2))
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
