package app.loculus.core.command;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.atn.ATN;
import org.antlr.v4.runtime.atn.ATNState;
import org.antlr.v4.runtime.atn.RuleStopState;
import org.antlr.v4.runtime.atn.RuleTransition;
import org.antlr.v4.runtime.atn.Transition;

/**
 * What a line may go on with: the words of the grammar that fit behind what stands there. All ways through the grammar
 * are gone at once, since a parser settles for one of them as soon as it can.
 */
public final class NextWords {

    /** In tokens; all ways through a longer line take too long, and nobody types one. */
    static final int LONGEST = 150;

    /** Words that only go on in so many ways are offered with what comes behind them: {@code per type}. */
    private static final int FEW = 6;

    private static final int DEEPEST = 3;

    /** In tokens: behind more of them single words are offered, for each that is grown costs another walk. */
    private static final int MOST_GROWN = 40;

    private static final int MOST_KNOWN = 500;

    private static final ATN GRAMMAR = LineParser._ATN;

    /** By the types of what stands there: numbers and names are all alike. */
    private static final Map<List<Integer>, List<String>> KNOWN = new LinkedHashMap<>(16, .75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Integer>, List<String>> eldest) {
            return size() > MOST_KNOWN;
        }
    };

    private final int[] tokens;
    private final Set<Integer> expected = new TreeSet<>();
    private int furthest;

    /** Where a rule that begins at a token may end, by rule and token. */
    private final Map<Long, Set<Integer>> ends = new HashMap<>();

    private NextWords(int[] tokens) {
        this.tokens = tokens;
    }

    /**
     * Words and runs of words that may stand next, in the order of the grammar.
     *
     * @param line what stands there, up to where the next word begins
     */
    public static List<String> after(String line) {
        int[] tokens = tokens(line);
        List<Integer> types = Arrays.stream(tokens).boxed().toList();
        synchronized (KNOWN) {
            List<String> known = KNOWN.get(types);
            if (known != null) {
                return known;
            }
        }
        Set<String> found = new LinkedHashSet<>();
        if (tokens.length <= LONGEST) {
            grow(tokens, "", 0, found);
        }
        synchronized (KNOWN) {
            KNOWN.put(types, List.copyOf(found));
        }
        return List.copyOf(found);
    }

    private static void grow(int[] tokens, String phrase, int depth, Set<String> found) {
        Set<Integer> next = expected(LineParser.RULE_line, tokens);
        boolean offered = depth == 0
                || !next.isEmpty() && next.size() <= FEW && next.stream().allMatch(NextWords::isWord);
        if (!offered || depth == DEEPEST) {
            found.add(phrase);
            return;
        }
        for (int type : next) {
            if (isWord(type)) {
                String longer = phrase.isEmpty() ? text(type) : phrase + " " + text(type);
                if (tokens.length > MOST_GROWN) {
                    found.add(longer);
                } else {
                    int[] more = Arrays.copyOf(tokens, tokens.length + 1);
                    more[tokens.length] = type;
                    grow(more, longer, depth + 1, found);
                }
            }
        }
    }

    /** Types of the tokens that may follow within a rule, the end of the line among them. */
    static Set<Integer> expected(int rule, int[] tokens) {
        NextWords walk = new NextWords(tokens);
        walk.through(GRAMMAR.ruleToStartState[rule], 0);
        return walk.expected;
    }

    /** How many of the tokens some reading of a rule goes through. */
    static int fitting(int rule, int[] tokens) {
        NextWords walk = new NextWords(tokens);
        walk.through(GRAMMAR.ruleToStartState[rule], 0);
        return walk.furthest;
    }

    /** Goes all ways through a rule from a token on. @return behind which tokens it may end */
    private Set<Integer> through(ATNState rule, int from) {
        long key = ((long) rule.ruleIndex << 32) | from;
        Set<Integer> known = ends.get(key);
        if (known != null) {
            return known;
        }
        Set<Integer> found = new HashSet<>();
        // A rule that comes back to itself without a token in between brings nothing new.
        ends.put(key, Set.of());
        Deque<long[]> open = new ArrayDeque<>();
        Set<Long> seen = new HashSet<>();
        open.push(new long[] {rule.stateNumber, from});
        while (!open.isEmpty()) {
            long[] at = open.pop();
            ATNState state = GRAMMAR.states.get((int) at[0]);
            int token = (int) at[1];
            furthest = Math.max(furthest, token);
            if (state instanceof RuleStopState) {
                found.add(token);
            } else if (seen.add(at[0] << 32 | at[1])) {
                for (Transition transition : state.getTransitions()) {
                    step(transition, token, open);
                }
            }
        }
        ends.put(key, found);
        return found;
    }

    private void step(Transition transition, int token, Deque<long[]> open) {
        if (transition instanceof RuleTransition rule) {
            through(rule.target, token).forEach(end -> open.push(new long[] {rule.followState.stateNumber, end}));
        } else if (transition.isEpsilon()) {
            open.push(new long[] {transition.target.stateNumber, token});
        } else if (token == tokens.length) {
            expected.addAll(transition.label().toList());
        } else if (transition.matches(tokens[token], Token.MIN_USER_TOKEN_TYPE, GRAMMAR.maxTokenType)) {
            open.push(new long[] {transition.target.stateNumber, token + 1});
        }
    }

    private static int[] tokens(String line) {
        LineLexer lexer = new LineLexer(CharStreams.fromString(line));
        lexer.removeErrorListeners();
        List<Integer> all = new ArrayList<>();
        for (Token token = lexer.nextToken(); token.getType() != Token.EOF; token = lexer.nextToken()) {
            all.add(token.getType());
        }
        return all.stream().mapToInt(t -> t).toArray();
    }

    private static boolean isWord(int type) {
        String literal = type > 0 ? LineLexer.VOCABULARY.getLiteralName(type) : null;
        return type == LineLexer.COLOUR || literal != null && Character.isLetter(literal.charAt(1));
    }

    private static String text(int type) {
        String literal = LineLexer.VOCABULARY.getLiteralName(type);
        return literal == null
                ? LineLexer.VOCABULARY.getSymbolicName(type).toLowerCase(Locale.ROOT)
                : literal.replace("'", "");
    }
}
