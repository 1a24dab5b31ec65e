package app.loculus.core.command;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.misc.Interval;

/**
 * The first word of a line that does not fit.
 *
 * @param tokens of the line, without its end
 * @param at which of them; behind the last where the line is not finished
 * @param expected types of what would fit
 */
record Misfit(List<CommonToken> tokens, int at, Set<Integer> expected) {

    private static final Set<Integer> NUMBERS = Set.of(LineLexer.INT, LineLexer.DECIMAL, LineLexer.SPAN, LineLexer.HEX);

    /** Where nothing but these fits, any word is a name. */
    private static final Set<Integer> NAMES = Set.of(LineLexer.STRING, LineLexer.INT, LineLexer.SPAN);

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
                        && OtherWords.attribute(tokens.get(index).getText());
    }

    /** The word in as many as it says: {@code thru14at50}, {@code odd}. */
    List<CommonToken> apart() {
        return with(at, at + 1, OtherWords.apart(text(here())));
    }

    /** {@code select 11}; the word may have been read as an attribute. */
    private void wordInFront(List<List<CommonToken>> ways) {
        for (int index : new int[] {at, at - 1}) {
            if (is(index, t -> OtherWords.ADD_NOTHING.contains(text(t)))
                    && is(index + 1, t -> NUMBERS.contains(t.getType()))) {
                ways.add(with(index, index + 1));
            }
        }
    }

    private void otherWord(List<List<CommonToken>> ways) {
        for (int index : new int[] {at, at - 1}) {
            if (is(index, t -> OtherWords.MEAN.containsKey(text(t)))) {
                ways.add(with(index, index + 1, OtherWords.MEAN.get(text(tokens.get(index)))));
            }
        }
        if (is(at, t -> text(t).equals("half")) || at == tokens.size() && is(at - 1, t -> text(t).equals("half"))) {
            int half = at == tokens.size() ? at - 1 : at;
            ways.add(type(half - 1, LineLexer.AT) ? with(half, half + 1, "50") : with(half, half + 1, "at", "50"));
        }
        if (type(at, LineLexer.IN) && type(at + 1, LineLexer.ROWS, LineLexer.COLUMNS)) {
            ways.add(with(at, at + 1));
        }
        if (is(at - 1, t -> text(t).equals("label"))) {
            ways.add(with(at - 1, at, "name"));
        }
        if (type(at, LineLexer.COMMA, LineLexer.AND) && expected.contains(LineLexer.PLUS)) {
            ways.add(with(at, at + 1, "+"));
        }
        if ((type(at, LineLexer.TO) || is(at, t -> text(t).equals(">"))) && expected.contains(LineLexer.THRU)) {
            ways.add(with(at, at + 1, "thru"));
        }
        if (type(at, LineLexer.COMMA, LineLexer.AND) && attribute(at + 1)) {
            ways.add(with(at, at + 1));
        }
        if (type(at, LineLexer.AND) && expected.contains(LineLexer.WITH)) {
            ways.add(with(at, at + 1, "with"));
        }
        if (type(at, LineLexer.TO) && type(0, LineLexer.PATCH) && expected.contains(LineLexer.AT)) {
            ways.add(with(at, at + 1, "at"));
        }
        if (type(at, LineLexer.ALL) && expected.contains(LineLexer.EVERYTHING)) {
            ways.add(with(at, at + 1, "everything"));
        }
        if (type(at, LineLexer.EVERYTHING)) {
            ways.add(with(at, at + 1, "all"));
        }
        if (type(at, LineLexer.TO) && type(at - 1, LineLexer.GO)) {
            ways.add(with(at - 1, at, "jump"));
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
            ways.add(with(at, at, "+"));
        }
        if (number && expected.contains(LineLexer.COMMA)) {
            ways.add(with(at, at, ","));
        }
        if (type(at, LineLexer.INT) && is(at - 1, t -> OtherWords.NUMBERED.contains(text(t)))) {
            ways.add(with(at - 1, at + 1, text(tokens.get(at - 1)) + here().getText()));
        }
        boolean apart = type(at, LineLexer.COLON) || is(at, t -> text(t).equals("/"));
        if (apart && type(at - 2, LineLexer.AT) && type(at - 1, LineLexer.INT) && type(at + 1, LineLexer.INT)) {
            ways.add(with(
                    at - 1,
                    at + 2,
                    tokens.get(at - 1).getText() + "." + tokens.get(at + 1).getText()));
        }
        if (type(at, LineLexer.PLUS) && type(at - 1, LineLexer.AT) && is(at + 1, t -> NUMBERS.contains(t.getType()))) {
            boolean of = attribute(at - 2);
            ways.add(with(
                    of ? at - 2 : at - 1,
                    at + 1,
                    "nudge",
                    of ? tokens.get(at - 2).getText() : "dimmer",
                    "by"));
        }
    }

    /** A small word that is left out. */
    private void missing(List<List<CommonToken>> ways) {
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
                ways.add(with(at, at, "at"));
            }
            if (type(at, LineLexer.PLUS) && attribute(at - 1)) {
                ways.add(with(at - 1, at + 1, "nudge", tokens.get(at - 1).getText(), "by"));
            }
        }
        if (type(at, LineLexer.INT) && type(at + 1, LineLexer.KELVIN)) {
            ways.add(with(at, at, "white", "at"));
        }
        if (expected.contains(LineLexer.VERSION) && type(0, LineLexer.SAVE, LineLexer.RESTORE)) {
            ways.add(with(at, at, "version"));
        }
        if (expected.contains(LineLexer.MARK) && type(at - 2, LineLexer.AIM) && is(at, Misfit::isWord)) {
            ways.add(with(at, at, "mark"));
        }
        if (expected.contains(LineLexer.OF)) {
            ways.add(with(at, at, "of"));
        }
        if (expected.contains(LineLexer.AS) && type(0, LineLexer.PATCH, LineLexer.ADD) && is(at, Misfit::isWord)) {
            ways.add(with(at, at, "as"));
        }
        boolean answer = type(at, LineLexer.DEAD, LineLexer.ANSWERED, LineLexer.WRONG);
        if (answer && at > 0 && at == tokens.size() - 1) {
            ways.add(with(0, 0, "mark"));
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
            ways.add(new Misfit(turned, at, expected).with(0, 0, "mark"));
        }
        if (at == 1 && type(0, LineLexer.HOME)) {
            List<CommonToken> turned = new ArrayList<>(tokens.subList(1, tokens.size()));
            turned.add(tokens.get(0));
            ways.add(turned);
        }
    }

    /** A name without its quotes: as far as it can be one, and as far as the line goes. */
    private void names(List<List<CommonToken>> ways) {
        boolean needed = expected.stream().allMatch(NAMES::contains) || type(at - 1, LineLexer.AT) && attribute(at - 2);
        if (!expected.contains(LineLexer.STRING)
                || !is(
                        at,
                        t -> needed
                                ? isWord(t)
                                : t.getType() == LineLexer.WORD && !OtherWords.NO_NAMES.contains(text(t)))) {
            return;
        }
        int end = at + 1;
        while (type(end, LineLexer.WORD) || type(end, LineLexer.INT) && end == tokens.size() - 1) {
            end++;
        }
        named(end, ways);
        boolean all =
                tokens.subList(at, tokens.size()).stream().allMatch(t -> isWord(t) || t.getType() == LineLexer.INT);
        if (all && end < tokens.size()) {
            named(tokens.size(), ways);
        }
    }

    /** Words that were put elsewhere are no name. */
    private void named(int end, List<List<CommonToken>> ways) {
        Interval typed = Interval.of(here().getStartIndex(), tokens.get(end - 1).getStopIndex());
        if (typed.a <= typed.b) {
            String name = here().getInputStream().getText(typed);
            ways.add(with(at, end, "\"" + name.replace("\"", "\"\"") + "\""));
        }
    }

    private static boolean isWord(CommonToken t) {
        return t.getType() != LineLexer.STRING && Character.isLetter(t.getText().charAt(0));
    }

    /** Words in place of those from one to another, which are read where those stand. */
    private List<CommonToken> with(int from, int to, String... instead) {
        List<CommonToken> all = new ArrayList<>(tokens.subList(0, from));
        CommonToken stands = tokens.get(Math.min(from, tokens.size() - 1));
        for (CommonToken said : OtherWords.tokens(String.join(" ", instead))) {
            CommonToken token = new CommonToken(stands);
            token.setType(said.getType());
            token.setText(said.getText());
            if (to > from) {
                token.setStopIndex(tokens.get(to - 1).getStopIndex());
            }
            all.add(token);
        }
        all.addAll(tokens.subList(to, tokens.size()));
        return all;
    }
}
