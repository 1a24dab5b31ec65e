package app.loculus.core.command;

import app.loculus.core.problem.Place;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.Severity;
import app.loculus.core.problem.WayOut;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.Parser;
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
        Token token = (Token) offending;
        int index = token.getTokenIndex();
        Token before = index > 0 ? parser.getInputStream().get(index - 1) : null;
        boolean strayWord = before != null && before.getType() == LineLexer.WORD;
        throw new Refusal(List.of(strayWord ? stray(parser, before) : misfit(parser, token)));
    }

    /** A word read as an attribute, though nothing follows that an attribute could have: most often a slip. */
    private static Problem stray(Parser parser, Token word) {
        List<String> near = near(parser.getVocabulary(), word.getText().toLowerCase(Locale.ROOT));
        String advice = near.isEmpty()
                ? "Words of the line are such as thru, at, group, colour; an attribute is followed by at."
                : "Did you mean " + String.join(" or ", near) + "?";
        return problem(word, "“" + word.getText() + "” is not understood here.", advice);
    }

    private static Problem misfit(Parser parser, Token token) {
        String found = token.getType() == Token.EOF
                ? "The line stops too early."
                : "“" + token.getText() + "” does not fit here.";
        List<String> expected = expected(parser);
        return problem(
                token,
                found,
                expected.isEmpty()
                        ? "Something else was expected."
                        : "Expected here: " + String.join(", ", expected) + ".");
    }

    private static Problem problem(Token token, String words, String advice) {
        int end = token.getType() == Token.EOF ? token.getStartIndex() : token.getStopIndex() + 1;
        Place place = new Place("line", token.getStartIndex(), end);
        return new Problem("line.syntax", Severity.REFUSAL, place, words, List.of(WayOut.advice(advice)));
    }

    private static List<String> expected(Parser parser) {
        Vocabulary vocabulary = parser.getVocabulary();
        List<String> words = new ArrayList<>();
        for (int type : parser.getExpectedTokens().toList()) {
            words.add(word(vocabulary, type));
        }
        return words.size() > MOST_LISTED ? words.subList(0, MOST_LISTED) : words;
    }

    private static String word(Vocabulary vocabulary, int type) {
        String literal = vocabulary.getLiteralName(type);
        String name = type == Token.EOF ? "EOF" : vocabulary.getSymbolicName(type);
        return literal != null ? literal.replace("'", "") : PLAIN.getOrDefault(name, name.toLowerCase(Locale.ROOT));
    }

    private static List<String> near(Vocabulary vocabulary, String wrong) {
        return IntStream.rangeClosed(1, vocabulary.getMaxTokenType())
                .mapToObj(vocabulary::getLiteralName)
                .filter(literal -> literal != null && literal.length() > 3)
                .map(literal -> literal.replace("'", ""))
                .filter(word -> slips(word, wrong) <= Math.min(NEAR, wrong.length() / 2))
                .limit(3)
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
