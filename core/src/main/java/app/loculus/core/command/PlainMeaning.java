package app.loculus.core.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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

    /** Words in front of fixtures that add nothing. */
    private static final Set<String> ADDS_NOTHING = Set.of(
            "select",
            "sel",
            "channel",
            "channels",
            "chan",
            "fixture",
            "fixtures",
            "fix",
            "head",
            "heads",
            "lamp",
            "lamps",
            "light",
            "unit",
            "units");

    /** Attributes as people say them; a profile may have others, behind which <em>at</em> is needed. */
    private static final Set<String> ATTRIBUTES = Set.of(
            "dimmer", "dim", "red", "green", "blue", "amber", "lime", "uv", "cyan", "magenta", "yellow", "pan", "tilt",
            "zoom", "iris", "focus", "frost", "strobe", "shutter", "gobo", "prism", "cto", "ctb", "ctc");

    /** With a number behind them, one attribute. */
    private static final Set<String> NUMBERED = Set.of("gobo", "prism", "frost", "focus", "shutter", "strobe");

    private static final Set<Integer> NUMBERS = Set.of(LineLexer.INT, LineLexer.DECIMAL, LineLexer.SPAN, LineLexer.HEX);

    /** Where nothing but these fits, any word is a name. */
    private static final Set<Integer> NAMES = Set.of(LineLexer.STRING, LineLexer.INT, LineLexer.SPAN);

    /** They ask for something that the line says otherwise. */
    private static final Set<String> NO_NAMES = Set.of("fade", "delay", "seconds", "sec", "follow", "with", "using");

    /** What is written without a blank in front of its number: {@code 11thru14 at50}. */
    private static final Map<String, Integer> GLUED = Map.of(
            "thru", LineLexer.THRU,
            "at", LineLexer.AT,
            "group", LineLexer.GROUP,
            "cue", LineLexer.CUE,
            "list", LineLexer.LIST,
            "every", LineLexer.EVERY);

    /** Halves of a selection. */
    private static final Set<String> HALVES = Set.of("odd", "even");

    private static final Pattern GLUED_TO_NUMBER = Pattern.compile("(thru|at|group|cue|list|every)(\\d+)");

    /** Other words for words of the line. */
    private static final Map<String, List<Said>> MEANS = Map.ofEntries(
            Map.entry("store", List.of(new Said(LineLexer.RECORD, "record"))),
            Map.entry("rec", List.of(new Said(LineLexer.RECORD, "record"))),
            Map.entry("label", List.of(new Said(LineLexer.RENAME, "rename"))),
            Map.entry("but", List.of(new Said(LineLexer.MINUS, "-"))),
            Map.entry("except", List.of(new Said(LineLexer.MINUS, "-"))),
            Map.entry("minus", List.of(new Said(LineLexer.MINUS, "-"))),
            Map.entry("goto", List.of(new Said(LineLexer.JUMP, "jump"), new Said(LineLexer.TO, "to"))),
            Map.entry("through", List.of(new Said(LineLexer.THRU, "thru"))),
            Map.entry("until", List.of(new Said(LineLexer.THRU, "thru"))),
            Map.entry("till", List.of(new Said(LineLexer.THRU, "thru"))),
            Map.entry("zero", List.of(new Said(LineLexer.OUT, "out"))),
            Map.entry("degrees", List.of(new Said(LineLexer.DEG, "deg"))),
            Map.entry("other", List.of(new Said(LineLexer.INT, "2"))),
            Map.entry("second", List.of(new Said(LineLexer.INT, "2"))),
            Map.entry("third", List.of(new Said(LineLexer.INT, "3"))),
            Map.entry("odd", List.of(new Said(LineLexer.EVERY, "every"), new Said(LineLexer.INT, "2"))),
            Map.entry(
                    "even",
                    List.of(
                            new Said(LineLexer.EVERY, "every"),
                            new Said(LineLexer.INT, "2"),
                            new Said(LineLexer.FROM, "from"),
                            new Said(LineLexer.INT, "2"))));

    /** A word of the line in place of another. */
    private record Said(int type, String text) {}

    /** Ways that are still tried. */
    private int left = MOST_TRIED;

    private PlainMeaning() {}

    /** The line as it is read; empty where it has no plain meaning. @param tokens without the end of the line */
    static Optional<List<CommonToken>> of(List<CommonToken> tokens) {
        return tokens.isEmpty() || tokens.size() > LONGEST
                ? Optional.empty()
                : new PlainMeaning().mended(apart(tokens), 0);
    }

    /** Whether a word is none that anybody has as an attribute, though it would be read as one. */
    static boolean noAttribute(Token token) {
        return token.getType() == LineLexer.WORD && (glued(token) || HALVES.contains(Misfit.text((CommonToken) token)));
    }

    /** Several words without blanks. */
    private static boolean glued(Token token) {
        return token.getText().toLowerCase(Locale.ROOT).matches("(?:" + GLUED_TO_NUMBER.pattern() + ")+");
    }

    /** Whether people call an attribute so. */
    static boolean attribute(String word) {
        return ATTRIBUTES.contains(word.toLowerCase(Locale.ROOT));
    }

    private static List<CommonToken> apart(List<CommonToken> tokens) {
        List<CommonToken> now = tokens;
        for (int i = 0; i < now.size(); i++) {
            if (noAttribute(now.get(i))) {
                now = new Misfit(now, i, Set.of()).grown();
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

    /** The first word that does not fit. @param expected types of what would */
    private record Misfit(List<CommonToken> tokens, int at, Set<Integer> expected) {

        /** What the line may mean instead, the likeliest first. */
        List<List<CommonToken>> ways() {
            List<List<CommonToken>> ways = new ArrayList<>();
            otherWord(ways);
            if (at == tokens.size()) {
                return ways;
            }
            wordInFront(ways);
            numbers(ways);
            missing(ways);
            elsewhere(ways);
            names(ways);
            return ways;
        }

        private CommonToken here() {
            return tokens.get(at);
        }

        private boolean is(int index, Predicate<CommonToken> what) {
            return index >= 0 && index < tokens.size() && what.test(tokens.get(index));
        }

        private boolean type(int index, Integer... types) {
            return is(index, t -> List.of(types).contains(t.getType()));
        }

        private static String text(CommonToken t) {
            return t.getText().toLowerCase(Locale.ROOT);
        }

        private boolean attribute(int index) {
            return type(index, LineLexer.WHITE)
                    || type(index, LineLexer.WORD)
                            && (ATTRIBUTES.contains(text(tokens.get(index)))
                                    || text(tokens.get(index)).matches("(gobo|prism|color|frost|focus|shutter)\\d+"));
        }

        /** {@code thru14at50} as four words, {@code odd} as two. */
        private List<CommonToken> grown() {
            if (HALVES.contains(text(here()))) {
                return with(at, at + 1, MEANS.get(text(here())).toArray(Said[]::new));
            }
            List<Said> parts = new ArrayList<>();
            Matcher part = GLUED_TO_NUMBER.matcher(text(here()));
            while (part.find()) {
                parts.add(new Said(GLUED.get(part.group(1)), part.group(1)));
                parts.add(new Said(LineLexer.INT, part.group(2)));
            }
            return with(at, at + 1, parts.toArray(Said[]::new));
        }

        /** {@code select 11}; the word may have been read as an attribute. */
        private void wordInFront(List<List<CommonToken>> ways) {
            for (int index : new int[] {at, at - 1}) {
                if (is(index, t -> ADDS_NOTHING.contains(text(t)))
                        && is(index + 1, t -> NUMBERS.contains(t.getType()))) {
                    ways.add(with(index, index + 1));
                }
            }
        }

        private void otherWord(List<List<CommonToken>> ways) {
            for (int index : new int[] {at, at - 1}) {
                if (is(index, t -> MEANS.containsKey(text(t)))) {
                    ways.add(with(
                            index, index + 1, MEANS.get(text(tokens.get(index))).toArray(Said[]::new)));
                }
            }
            if (is(at, t -> text(t).equals("half")) || at == tokens.size() && is(at - 1, t -> text(t).equals("half"))) {
                int half = at == tokens.size() ? at - 1 : at;
                Said fifty = new Said(LineLexer.INT, "50");
                ways.add(
                        type(half - 1, LineLexer.AT)
                                ? with(half, half + 1, fifty)
                                : with(half, half + 1, new Said(LineLexer.AT, "at"), fifty));
            }
            if (type(at, LineLexer.IN) && type(at + 1, LineLexer.ROWS, LineLexer.COLUMNS)) {
                ways.add(with(at, at + 1));
            }
            if (is(at - 1, t -> text(t).equals("label"))) {
                ways.add(with(at - 1, at, new Said(LineLexer.NAME, "name")));
            }
            if (type(at, LineLexer.COMMA, LineLexer.AND) && expected.contains(LineLexer.PLUS)) {
                ways.add(with(at, at + 1, new Said(LineLexer.PLUS, "+")));
            }
            if ((type(at, LineLexer.TO) || is(at, t -> text(t).equals(">"))) && expected.contains(LineLexer.THRU)) {
                ways.add(with(at, at + 1, new Said(LineLexer.THRU, "thru")));
            }
            if (type(at, LineLexer.COMMA, LineLexer.AND) && attribute(at + 1)) {
                ways.add(with(at, at + 1));
            }
            if (type(at, LineLexer.AND) && expected.contains(LineLexer.WITH)) {
                ways.add(with(at, at + 1, new Said(LineLexer.WITH, "with")));
            }
            if (type(at, LineLexer.TO) && type(0, LineLexer.PATCH) && expected.contains(LineLexer.AT)) {
                ways.add(with(at, at + 1, new Said(LineLexer.AT, "at")));
            }
            if (type(at, LineLexer.ALL) && expected.contains(LineLexer.EVERYTHING)) {
                ways.add(with(at, at + 1, new Said(LineLexer.EVERYTHING, "everything")));
            }
            if (type(at, LineLexer.EVERYTHING)) {
                ways.add(with(at, at + 1, new Said(LineLexer.ALL, "all")));
            }
            if (type(at, LineLexer.TO) && type(at - 1, LineLexer.GO)) {
                ways.add(with(at - 1, at, new Said(LineLexer.JUMP, "jump")));
            }
            if (type(at, LineLexer.AT) && type(at - 1, LineLexer.INTENSITY)) {
                ways.add(with(at - 1, at));
            }
        }

        private void numbers(List<List<CommonToken>> ways) {
            boolean number = is(at, t -> NUMBERS.contains(t.getType()));
            if (number
                    && type(at - 1, LineLexer.INT, LineLexer.DECIMAL, LineLexer.SPAN)
                    && expected.contains(LineLexer.PLUS)) {
                ways.add(with(at, at, new Said(LineLexer.PLUS, "+")));
            }
            if (number && expected.contains(LineLexer.COMMA)) {
                ways.add(with(at, at, new Said(LineLexer.COMMA, ",")));
            }
            if (type(at, LineLexer.INT) && is(at - 1, t -> NUMBERED.contains(text(t)))) {
                ways.add(with(at - 1, at + 1, new Said(LineLexer.WORD, text(tokens.get(at - 1)) + here().getText())));
            }
            boolean apart = type(at, LineLexer.COLON) || is(at, t -> text(t).equals("/"));
            if (apart && type(at - 2, LineLexer.AT) && type(at - 1, LineLexer.INT) && type(at + 1, LineLexer.INT)) {
                ways.add(with(
                        at - 1,
                        at + 2,
                        new Said(
                                LineLexer.DECIMAL,
                                tokens.get(at - 1).getText() + "."
                                        + tokens.get(at + 1).getText())));
            }
            if (type(at, LineLexer.PLUS)
                    && type(at - 1, LineLexer.AT)
                    && is(at + 1, t -> NUMBERS.contains(t.getType()))) {
                boolean of = attribute(at - 2);
                ways.add(with(
                        of ? at - 2 : at - 1,
                        at + 1,
                        new Said(LineLexer.NUDGE, "nudge"),
                        new Said(LineLexer.WORD, of ? tokens.get(at - 2).getText() : "dimmer"),
                        new Said(LineLexer.BY, "by")));
            }
        }

        /** A small word that is left out. */
        private void missing(List<List<CommonToken>> ways) {
            Said at50 = new Said(LineLexer.AT, "at");
            if (expected.contains(LineLexer.AT)) {
                boolean amount = is(at, t -> NUMBERS.contains(t.getType())) || type(at, LineLexer.MINUS);
                boolean level = type(at, LineLexer.FULL, LineLexer.OUT);
                boolean address = type(0, LineLexer.PATCH) && type(at, LineLexer.DECIMAL);
                boolean behind = amount
                        && type(
                                0,
                                LineLexer.MASTER,
                                LineLexer.SUBMASTER,
                                LineLexer.LEVEL,
                                LineLexer.TEMPO,
                                LineLexer.MARK,
                                LineLexer.PLACE);
                boolean named = attribute(at - 1) && is(at, Misfit::isWord);
                if (level || address || behind || named || amount && attribute(at - 1)) {
                    ways.add(with(at, at, at50));
                }
                if (type(at, LineLexer.PLUS) && attribute(at - 1)) {
                    ways.add(with(
                            at - 1,
                            at + 1,
                            new Said(LineLexer.NUDGE, "nudge"),
                            new Said(LineLexer.WORD, tokens.get(at - 1).getText()),
                            new Said(LineLexer.BY, "by")));
                }
            }
            if (type(at, LineLexer.INT) && type(at + 1, LineLexer.KELVIN)) {
                ways.add(with(at, at, new Said(LineLexer.WHITE, "white"), at50));
            }
            if (expected.contains(LineLexer.VERSION) && type(0, LineLexer.SAVE, LineLexer.RESTORE)) {
                ways.add(with(at, at, new Said(LineLexer.VERSION, "version")));
            }
            if (expected.contains(LineLexer.MARK) && type(at - 2, LineLexer.AIM) && is(at, Misfit::isWord)) {
                ways.add(with(at, at, new Said(LineLexer.MARK, "mark")));
            }
            if (expected.contains(LineLexer.OF)) {
                ways.add(with(at, at, new Said(LineLexer.OF, "of")));
            }
            if (expected.contains(LineLexer.AS) && type(0, LineLexer.PATCH, LineLexer.ADD) && is(at, Misfit::isWord)) {
                ways.add(with(at, at, new Said(LineLexer.AS, "as")));
            }
            boolean answer = type(at, LineLexer.DEAD, LineLexer.ANSWERED, LineLexer.WRONG);
            if (answer && at > 0 && at == tokens.size() - 1) {
                ways.add(with(0, 0, new Said(LineLexer.MARK, "mark")));
            }
        }

        /** A verb behind what it is about, or in front of what it stands behind. */
        private void elsewhere(List<List<CommonToken>> ways) {
            if (type(at, LineLexer.UNPATCH, LineLexer.DELETE) && at == tokens.size() - 1) {
                List<CommonToken> turned = new ArrayList<>(tokens.subList(0, at));
                turned.add(0, here());
                ways.add(turned);
            }
            if (at == 0 && tokens.size() > 1 && type(0, LineLexer.DEAD, LineLexer.ANSWERED, LineLexer.WRONG)) {
                List<CommonToken> turned = new ArrayList<>(tokens.subList(1, tokens.size()));
                turned.add(tokens.get(0));
                ways.add(new Misfit(turned, at, expected).with(0, 0, new Said(LineLexer.MARK, "mark")));
            }
            if (at == 1 && type(0, LineLexer.HOME)) {
                List<CommonToken> turned = new ArrayList<>(tokens.subList(1, tokens.size()));
                turned.add(tokens.get(0));
                ways.add(turned);
            }
        }

        /** A name without its quotes: as far as it can be one, and as far as the line goes. */
        private void names(List<List<CommonToken>> ways) {
            boolean needed =
                    expected.stream().allMatch(NAMES::contains) || type(at - 1, LineLexer.AT) && attribute(at - 2);
            if (!expected.contains(LineLexer.STRING)
                    || !is(
                            at,
                            t -> needed ? isWord(t) : t.getType() == LineLexer.WORD && !NO_NAMES.contains(text(t)))) {
                return;
            }
            int end = at + 1;
            while (type(end, LineLexer.WORD) || type(end, LineLexer.INT) && end == tokens.size() - 1) {
                end++;
            }
            ways.add(named(end));
            boolean all =
                    tokens.subList(at, tokens.size()).stream().allMatch(t -> isWord(t) || t.getType() == LineLexer.INT);
            if (all && end < tokens.size()) {
                ways.add(named(tokens.size()));
            }
        }

        private List<CommonToken> named(int end) {
            String name = here().getInputStream()
                    .getText(org.antlr.v4.runtime.misc.Interval.of(
                            here().getStartIndex(), tokens.get(end - 1).getStopIndex()));
            return with(at, end, new Said(LineLexer.STRING, "\"" + name.replace("\"", "\"\"") + "\""));
        }

        private static boolean isWord(CommonToken t) {
            return t.getType() != LineLexer.STRING
                    && Character.isLetter(t.getText().charAt(0));
        }

        /** Words in place of those from one to another, which are read where those stand. */
        private List<CommonToken> with(int from, int to, Said... instead) {
            List<CommonToken> all = new ArrayList<>(tokens.subList(0, from));
            for (Said said : instead) {
                CommonToken token = new CommonToken(tokens.get(Math.min(from, tokens.size() - 1)));
                token.setType(said.type());
                token.setText(said.text());
                if (to > from) {
                    token.setStopIndex(tokens.get(to - 1).getStopIndex());
                }
                all.add(token);
            }
            all.addAll(tokens.subList(to, tokens.size()));
            return all;
        }
    }
}
