package app.loculus.core.chart;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.words.StandardAttributes;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a slot chart: one line per slot, such as {@code Pan 16 540 deg}, {@code Shutter: 0-31 closed, 32-255 open} or
 * {@code Gobo wheel: open, Ripple, Slats}. Ranges with values may also follow without a colon or commas:
 * {@code Shutter 0-31 closed 32-255 open}. A slot number may stand in front, {@code fine} lines widen the line before,
 * {@code 4 x:} begins the channels of four cells, {@code end} ends them, {@code Mode name:} alone begins another mode.
 */
public final class ChartReader {

    private static final int MOST_LINES = 600;
    private static final int MOST_CELLS = 512;

    /** A mode's beginning, the channels of cells, their end. */
    private static final Pattern MODE = Pattern.compile("(?i)mode\\s+(.+?):?");

    private static final Pattern CELLS = Pattern.compile("(?i)(\\d{1,3})\\s*(?:x|×|times|cells):?");

    /** Slot numbers in front: {@code 7}, {@code 7.}, {@code 7-8}, {@code 7/8}, with a tab or blanks behind. */
    private static final Pattern NUMBERED =
            Pattern.compile("(\\d{1,3})(?:\\s*[-–/,&+]\\s*(\\d{1,3}))?[.):]?\\s+(?=\\D)(.+)");

    private static final Pattern FINE =
            Pattern.compile("(?i)(.*?)[\\s(]*\\b(?:fine|lsb|ultra ?fine|16 ?bit low)\\b\\)?");

    private final List<DraftMode> modes = new ArrayList<>();
    private final List<DraftChannel> channels = new ArrayList<>();
    private final Problems problems = new Problems();
    private String modeName = "";
    private int cells;
    private boolean inCells;

    private ChartReader() {}

    /**
     * What was understood.
     *
     * @param problems warnings that name the line
     */
    public record Chart(List<DraftMode> modes, List<Problem> problems) {}

    public static Chart read(String text) {
        ChartReader reader = new ChartReader();
        List<String> lines = text.lines().limit(MOST_LINES).toList();
        for (int i = 0; i < lines.size(); i++) {
            reader.line(i + 1, lines.get(i).replace('\t', ' ').strip());
        }
        reader.endMode();
        return new Chart(List.copyOf(reader.modes), reader.problems.all());
    }

    private void endMode() {
        if (!channels.isEmpty()) {
            int slots = channels.stream()
                    .mapToInt(c -> c.octets() * (c.inCell() ? cells : 1))
                    .sum();
            modes.add(new DraftMode(modeName.isEmpty() ? slots + "-slot" : modeName, cells, channels));
        }
        channels.clear();
        cells = 0;
        inCells = false;
    }

    private void line(int number, String line) {
        Matcher mode = MODE.matcher(line);
        Matcher repeat = CELLS.matcher(line);
        if (line.isEmpty() || line.startsWith("//")) {
            return;
        }
        if (mode.matches() && !channelLike(line)) {
            endMode();
            modeName = mode.group(1).strip();
        } else if (repeat.matches()) {
            beginCells(number, Integer.parseInt(repeat.group(1)));
        } else if (line.equalsIgnoreCase("end")) {
            inCells = false;
        } else {
            channel(number, line);
        }
    }

    /** {@code Mode: 0-127 white, …} is a channel, {@code Mode extended} a mode. */
    private static boolean channelLike(String line) {
        int colon = line.indexOf(':');
        return colon > 0 && colon < line.length() - 1
                || line.toLowerCase(Locale.ROOT).startsWith("mode 0");
    }

    private void beginCells(int number, int count) {
        if (count < 1 || count > MOST_CELLS || cells > 0) {
            problems.add(Problem.warning(
                    "chart.cells",
                    "line " + number,
                    "Line " + number + ": "
                            + (cells > 0 ? "the cells were given before." : count + " cells are not possible.")));
            return;
        }
        cells = count;
        inCells = true;
    }

    private void channel(int number, String line) {
        Matcher numbered = NUMBERED.matcher(line);
        boolean hasNumber = numbered.matches();
        String text = hasNumber ? numbered.group(3) : line;
        int begin = ChartLine.beginOfRanges(text);
        int colon = text.indexOf(':');
        boolean bare = begin > 0 && (colon < 0 || colon > begin);
        String head = bare ? text.substring(0, begin) : colon < 0 ? text : text.substring(0, colon);
        String tail = bare ? text.substring(begin) : colon < 0 ? "" : text.substring(colon + 1);
        if (widensTheOneBefore(head)) {
            channels.set(channels.size() - 1, channels.get(channels.size() - 1).wider());
            return;
        }
        int octets = hasNumber && numbered.group(2) != null
                ? Math.max(
                        1,
                        Math.min(
                                3,
                                Math.abs(Integer.parseInt(numbered.group(2)) - Integer.parseInt(numbered.group(1)))
                                        + 1))
                : 1;
        ChartLine understood = new ChartLine(head, tail, octets);
        List<Attribute> meant = StandardAttributes.meant(understood.label());
        if (meant.isEmpty()) {
            problems.add(Problem.warning(
                    "chart.attribute",
                    "line " + number,
                    "Line " + number + ": “" + understood.label()
                            + "” is not recognised; it becomes a control channel."));
        }
        String attribute = unused(meant.isEmpty() ? "Control1" : meant.get(0).name());
        understood
                .withoutValues()
                .forEach(part -> problems.add(Problem.warning(
                        "chart.range",
                        "line " + number,
                        "Line " + number + ": “" + part + "” has no values, while other ranges of the line have; it is "
                                + "left out.",
                        WayOut.advice("Write it as 0-31 closed, or all of them without values."))));
        DraftChannel channel = understood.channel(attribute);
        channels.add(inCells ? channel.repeated() : channel);
    }

    private boolean widensTheOneBefore(String head) {
        Matcher fine = FINE.matcher(head.strip());
        if (!fine.matches() || channels.isEmpty()) {
            return false;
        }
        String label = channels.get(channels.size() - 1).label();
        return fine.group(1).isBlank() || fine.group(1).strip().equalsIgnoreCase(label);
    }

    /** The second gobo wheel of a chart is Gobo2 even where the chart does not count. */
    private String unused(String attribute) {
        Matcher m = Pattern.compile("(.*?)(\\d+)(.*)").matcher(attribute);
        String name = attribute;
        while (taken(name) && m.matches()) {
            int next = Integer.parseInt(m.group(2)) + 1;
            name = m.group(1) + next + m.group(3);
            m = Pattern.compile("(.*?)(\\d+)(.*)").matcher(name);
        }
        return name;
    }

    private boolean taken(String attribute) {
        return channels.stream()
                .anyMatch(c -> c.inCell() == inCells && c.attribute().equals(attribute));
    }
}
