package app.loculus.core.command;

import app.loculus.core.problem.Place;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.Severity;
import app.loculus.core.problem.WayOut;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.antlr.v4.runtime.BaseErrorListener;
import org.antlr.v4.runtime.Parser;
import org.antlr.v4.runtime.RecognitionException;
import org.antlr.v4.runtime.Recognizer;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.Vocabulary;
import org.antlr.v4.runtime.misc.IntervalSet;

/** Turns the first grammar error into a problem that marks the very word and says what would be accepted. */
final class Spelling extends BaseErrorListener {

    /** More choices than this are not a help. */
    private static final int MOST_LISTED = 10;

    private static final Map<String, String> PLAIN = Map.of(
            "INT", "a number",
            "DECIMAL", "universe.slot or a decimal number",
            "STRING", "a name in quotes",
            "WORD", "an attribute such as zoom",
            "EOF", "the end of the line");

    @Override
    public void syntaxError(
            Recognizer<?, ?> recognizer, Object offending, int line, int column, String message, RecognitionException e) {
        Token token = (Token) offending;
        boolean end = token.getType() == Token.EOF;
        String found = end ? "The line stops too early." : "“" + token.getText() + "” does not fit here.";
        List<String> expected = expected((Parser) recognizer);
        String accepted = expected.isEmpty() ? "Something else was expected." : "Expected here: " + String.join(", ", expected) + ".";
        Place place = new Place("line", token.getStartIndex(), end ? token.getStartIndex() : token.getStopIndex() + 1);
        throw new Refusal(List.of(new Problem("line.syntax", Severity.REFUSAL, place, found, List.of(WayOut.advice(accepted)))));
    }

    private static List<String> expected(Parser parser) {
        IntervalSet types = parser.getExpectedTokens();
        Vocabulary vocabulary = parser.getVocabulary();
        List<String> words = new ArrayList<>();
        for (int type : types.toList()) {
            String literal = vocabulary.getLiteralName(type);
            String name = type == Token.EOF ? "EOF" : vocabulary.getSymbolicName(type);
            words.add(literal != null ? literal.replace("'", "") : PLAIN.getOrDefault(name, name.toLowerCase(java.util.Locale.ROOT)));
        }
        return words.size() > MOST_LISTED ? words.subList(0, MOST_LISTED) : words;
    }
}
