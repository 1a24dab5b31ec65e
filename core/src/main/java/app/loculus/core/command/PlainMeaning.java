package app.loculus.core.command;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.Token;

/**
 * What a line means that the grammar does not take as it stands, where it plainly means one thing: {@code 11 full},
 * {@code 11 red 50}, {@code colour sea green}. The words that do not fit are mended one after the other until the whole
 * line is read; where that leads nowhere the line is left as it is, and refused.
 */
final class PlainMeaning {

    /** Words that are mended in one line; whoever slips more often should look at it again. */
    private static final int MOST = 10;

    /** Ways that are tried in all: each is a walk through the grammar. */
    private static final int MOST_TRIED = 80;

    /** A long line is pasted, not typed. */
    private static final int LONGEST = 60;

    /** Ways that are still tried. */
    private int left = MOST_TRIED;

    private PlainMeaning() {}

    /** The line as it is read; empty where it has no plain meaning. @param tokens without the end of the line */
    static Optional<List<CommonToken>> of(List<CommonToken> tokens) {
        return tokens.isEmpty() || tokens.size() > LONGEST
                ? Optional.empty()
                : new PlainMeaning().mended(apart(tokens), 0);
    }

    private static List<CommonToken> apart(List<CommonToken> tokens) {
        List<CommonToken> now = tokens;
        for (int i = 0; i < now.size(); i++) {
            if (OtherWords.noAttribute(now.get(i))) {
                now = new Misfit(now, i, Set.of()).apart();
            }
        }
        return now;
    }

    /** In words. */
    static String words(List<CommonToken> tokens) {
        return tokens.stream()
                .map(Token::getText)
                .collect(Collectors.joining(" "))
                .replace(" ,", ",");
    }

    private Optional<List<CommonToken>> mended(List<CommonToken> tokens, int times) {
        int[] types = tokens.stream().mapToInt(Token::getType).toArray();
        int at = NextWords.fitting(LineParser.RULE_line, types);
        if (at >= tokens.size()
                && NextWords.expected(LineParser.RULE_line, types).contains(Token.EOF)) {
            return Optional.of(tokens);
        }
        if (times == MOST) {
            return Optional.empty();
        }
        Misfit misfit = new Misfit(tokens, at, NextWords.expected(LineParser.RULE_line, Arrays.copyOf(types, at)));
        for (List<CommonToken> next : misfit.ways()) {
            int fits = NextWords.fitting(
                    LineParser.RULE_line, next.stream().mapToInt(Token::getType).toArray());
            boolean further = fits > at || next.size() - fits < tokens.size() - at || at == tokens.size();
            if (further && left-- > 0) {
                Optional<List<CommonToken>> all = mended(next, times + 1);
                if (all.isPresent()) {
                    return all;
                }
            }
        }
        return Optional.empty();
    }
}
