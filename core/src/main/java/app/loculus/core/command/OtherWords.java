package app.loculus.core.command;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonToken;
import org.antlr.v4.runtime.Token;

/** What people say instead of the words of the line. */
final class OtherWords {

    /** In front of fixtures they add nothing. */
    static final Set<String> ADD_NOTHING = Set.of(
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

    /** With a number behind them, one attribute. */
    static final Set<String> NUMBERED = Set.of("gobo", "prism", "frost", "focus", "shutter", "strobe");

    /** They ask for something that the line says otherwise. */
    static final Set<String> NO_NAMES = Set.of("fade", "delay", "seconds", "sec", "follow", "with", "using");

    /** In the words of the line. */
    static final Map<String, String> MEAN = Map.ofEntries(
            Map.entry("store", "record"),
            Map.entry("rec", "record"),
            Map.entry("label", "rename"),
            Map.entry("but", "-"),
            Map.entry("except", "-"),
            Map.entry("minus", "-"),
            Map.entry("goto", "jump to"),
            Map.entry("through", "thru"),
            Map.entry("until", "thru"),
            Map.entry("till", "thru"),
            Map.entry("zero", "out"),
            Map.entry("degrees", "deg"),
            Map.entry("other", "2"),
            Map.entry("second", "2"),
            Map.entry("third", "3"),
            Map.entry("odd", "every 2"),
            Map.entry("even", "every 2 from 2"));

    /** Attributes as people say them; a profile may have others, behind which <em>at</em> is needed. */
    private static final Set<String> ATTRIBUTES = Set.of(
            "dimmer", "dim", "red", "green", "blue", "amber", "lime", "uv", "cyan", "magenta", "yellow", "pan", "tilt",
            "zoom", "iris", "focus", "frost", "strobe", "shutter", "gobo", "prism", "cto", "ctb", "ctc");

    private static final Pattern NUMBERED_ATTRIBUTE = Pattern.compile("(gobo|prism|color|frost|focus|shutter)\\d+");

    /** Halves of a selection. */
    private static final Set<String> HALVES = Set.of("odd", "even");

    /** Words that are written without a blank in front of their numbers: {@code thru14at50}. */
    private static final Pattern GLUED = Pattern.compile("(?:(?:thru|at|group|cue|list|every)\\d+)+");

    private OtherWords() {}

    /** Whether people call an attribute so. */
    static boolean attribute(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        return ATTRIBUTES.contains(lower) || NUMBERED_ATTRIBUTE.matcher(lower).matches();
    }

    /** Whether a word is none that anybody has as an attribute, though it would be read as one. */
    static boolean noAttribute(Token token) {
        String lower = token.getText().toLowerCase(Locale.ROOT);
        return token.getType() == LineLexer.WORD
                && (HALVES.contains(lower) || GLUED.matcher(lower).matches());
    }

    /** The several words that such a word says. */
    static String apart(String word) {
        return HALVES.contains(word)
                ? MEAN.get(word)
                : word.replaceAll("(\\d+)", " $1 ").strip();
    }

    /** Words of the line as the grammar reads them. */
    static List<CommonToken> tokens(String text) {
        LineLexer lexer = new LineLexer(CharStreams.fromString(text));
        lexer.removeErrorListeners();
        return lexer.getAllTokens().stream().map(CommonToken.class::cast).toList();
    }
}
