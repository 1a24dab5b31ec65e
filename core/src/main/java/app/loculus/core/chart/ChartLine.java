package app.loculus.core.chart;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.words.StandardAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One line of a chart: the words in front of the colon, and the ranges behind it.
 *
 * @param givenOctets how many slots the line itself counted
 */
record ChartLine(String head, String tail, int givenOctets) {

    private static final int TOP = 255;
    private static final Pattern BITS = Pattern.compile("(?i)\\b(8|16|24)\\s*-?\\s*(?:bit|bits)?\\b");
    private static final Pattern SPAN =
            Pattern.compile("(?i)(-?\\d+(?:\\.\\d+)?)(?:-|\\s+-\\s+|\\s*(?:–|…|\\.\\.|to)\\s*)"
                    + "(-?\\d+(?:\\.\\d+)?)\\s*(?:deg|°|hz|k|%)?");
    private static final Pattern DEGREES = Pattern.compile("(?i)(\\d+(?:\\.\\d+)?)\\s*(?:deg|°|degrees)");
    private static final Pattern HOME = Pattern.compile("(?i)\\bhome\\s+(\\d{1,3})\\b");
    private static final Pattern HIGHLIGHT = Pattern.compile("(?i)\\bhighlight\\s+(\\d{1,3})\\b");
    private static final Pattern INVERTED = Pattern.compile("(?i)\\b(?:inverted|invert|reversed)\\b");
    private static final String VALUES = "\\d{1,3}\\s*(?:[-–…]|\\.\\.|to)\\s*\\d{1,3}";
    private static final Pattern RANGE =
            Pattern.compile("(\\d{1,3})\\s*(?:[-–…]|\\.\\.|to)\\s*(\\d{1,3})\\s*(?:[:=]\\s*|\\s)(.+)");

    /** One value alone, {@code 255 reset}: only where other ranges of the line have values. */
    private static final Pattern SINGLE = Pattern.compile("(\\d{1,3})\\s*(?:[:=]\\s*|\\s)(.+)");

    /** Values with a word behind them that is no unit: where ranges begin, and where the next one does. */
    private static final Pattern BEGIN = Pattern.compile("(?i)(?<![\\d.-])(?=" + VALUES
            + "\\s*(?:[:=]\\s*|\\s)(?!(?:to|deg|degrees|°|hz|k|bit|bits|fine)\\b)\\p{L})");

    private static final Pattern COLOUR = Pattern.compile("(#[0-9a-fA-F]{6})");

    /** Where ranges with values begin in a line that has no colon in front of them; −1 when it has none. */
    static int beginOfRanges(String text) {
        Matcher begin = BEGIN.matcher(text);
        return begin.find() && begin.start() > 0 ? begin.start() : -1;
    }

    String label() {
        String rest = HOME.matcher(head).replaceAll("");
        rest = HIGHLIGHT.matcher(rest).replaceAll("");
        rest = INVERTED.matcher(rest).replaceAll("");
        rest = SPAN.matcher(rest).replaceAll("");
        rest = DEGREES.matcher(rest).replaceAll("");
        rest = BITS.matcher(rest).replaceAll("");
        rest = COLOUR.matcher(rest).replaceAll("");
        return rest.replaceAll("[()\\[\\],]+", " ").replaceAll("\\s+", " ").strip();
    }

    DraftChannel channel(String attribute) {
        StandardAttributes.Usual usual = StandardAttributes.of(new Attribute(attribute));
        Optional<double[]> span = span();
        double from = span.map(s -> s[0]).orElse(usual.from());
        double to = span.map(s -> s[1]).orElse(usual.to());
        boolean wheel = attribute.matches("(Color|Gobo|AnimationWheel|Prism)\\d+");
        List<DraftRange> ranges = ranges(attribute, wheel);
        boolean inverted = INVERTED.matcher(head).find();
        boolean turned = inverted && ranges.isEmpty();
        int home = value(HOME).orElse(turned(Usually.home(attribute, ranges), turned));
        int highlight = value(HIGHLIGHT).orElse(turned(Usually.highlight(attribute, ranges), turned));
        Matcher emitter = COLOUR.matcher(head);
        return new DraftChannel(
                label(),
                attribute,
                octets(),
                1,
                false,
                home,
                highlight,
                inverted,
                from,
                to,
                emitter.find() ? emitter.group(1) : "",
                wheel,
                "",
                0,
                TOP,
                ranges);
    }

    /** What is usual at one end is usual at the other when a channel runs the other way round; ranges say it themselves. */
    private static int turned(int value, boolean turned) {
        return turned && value >= 0 ? TOP - value : value;
    }

    private Optional<Integer> value(Pattern pattern) {
        Matcher m = pattern.matcher(head);
        return m.find() ? Optional.of(Math.min(TOP, Integer.parseInt(m.group(1)))) : Optional.empty();
    }

    private int octets() {
        String plain = SPAN.matcher(
                        DEGREES.matcher(HOME.matcher(HIGHLIGHT.matcher(head).replaceAll(""))
                                        .replaceAll(""))
                                .replaceAll(""))
                .replaceAll("");
        Matcher bits = BITS.matcher(plain);
        return Math.max(givenOctets, bits.find() ? Integer.parseInt(bits.group(1)) / 8 : 1);
    }

    private Optional<double[]> span() {
        String plain = HOME.matcher(HIGHLIGHT.matcher(head).replaceAll("")).replaceAll("");
        Matcher span = SPAN.matcher(plain);
        if (span.find()) {
            return Optional.of(new double[] {Double.parseDouble(span.group(1)), Double.parseDouble(span.group(2))});
        }
        Matcher degrees = DEGREES.matcher(plain);
        if (degrees.find()) {
            double half = Double.parseDouble(degrees.group(1)) / 2;
            return Optional.of(new double[] {-half, half});
        }
        return Optional.empty();
    }

    /** Parts behind the colon: by commas, and in front of values that follow without one. */
    private List<String> parts() {
        List<String> parts = new ArrayList<>();
        for (String listed : tail.split("[,;|]")) {
            for (String part : BEGIN.split(listed)) {
                if (!part.isBlank()) {
                    parts.add(part.strip());
                }
            }
        }
        return parts;
    }

    private static boolean valued(List<String> parts) {
        return parts.stream().anyMatch(p -> RANGE.matcher(p).matches());
    }

    /** Parts that say no values in a line where others do. */
    List<String> withoutValues() {
        List<String> parts = parts();
        return valued(parts)
                ? parts.stream()
                        .filter(p -> !RANGE.matcher(p).matches()
                                && !SINGLE.matcher(p).matches())
                        .toList()
                : List.of();
    }

    private List<DraftRange> ranges(String attribute, boolean wheel) {
        List<String> parts = parts();
        boolean valued = valued(parts);
        parts.removeAll(withoutValues());
        List<DraftRange> ranges = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            ranges.add(range(parts.get(i), i, parts.size(), valued, attribute, wheel));
        }
        return ranges;
    }

    /** With values as given, or an equal share of the whole. */
    private DraftRange range(String part, int index, int count, boolean valued, String attribute, boolean wheel) {
        Matcher given = RANGE.matcher(part);
        Matcher single = SINGLE.matcher(part);
        int from = index * (TOP + 1) / count;
        int to = (index + 1) * (TOP + 1) / count - 1;
        String words = part;
        if (given.matches()) {
            from = Math.min(TOP, Integer.parseInt(given.group(1)));
            to = Math.min(TOP, Integer.parseInt(given.group(2)));
            words = given.group(3);
        } else if (valued && single.matches()) {
            from = Math.min(TOP, Integer.parseInt(single.group(1)));
            to = from;
            words = single.group(2);
        }
        Matcher tint = COLOUR.matcher(words);
        String swatch = tint.find() ? tint.group(1) : "";
        String name = COLOUR.matcher(words).replaceAll("").strip();
        return Usually.range(name, from, to, attribute, wheel ? swatch : "");
    }
}
