package app.loculus.formats.cues;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a text of cues. What it does not know is skipped and counted; what is broken is refused with its line. */
public final class CueTextReader {

    /** More than any show has; what claims more is no text of cues. */
    private static final int MOST_OCTETS = 8 << 20;

    /** Sentences about what is not taken in as it stands. */
    private static final int MOST_SAID = 100;

    /** Cues, groups and submasters together. */
    private static final int MOST_SHEETS = 20_000;

    private static final int MOST_CHANNELS = 99_999;

    /** All equal to a blank. */
    private static final String DELIMITERS = "[\\s,/;<=>@]+";

    private static final Pattern PATCHED =
            Pattern.compile("(?:(\\d+)\\s*<\\s*)?(\\d+)(?:\\s*@\\s*(\\w+(?:\\.\\d+)?))?");
    private static final Set<String> PRIMARIES =
            Set.of("IDENT", "MANUFACTURER", "CONSOLE", "CLEAR", "SET", "PATCH", "CUE", "GROUP", "SUB", "ENDDATA");

    /** A sheet while it is read. */
    private static final class Open {
        private final String number;
        private String name = "";
        private Double up;
        private Double down;
        private double delay;
        private Double followOn;
        /** In the order they stand in: a group has one. */
        private final Map<Integer, Double> levels = new LinkedHashMap<>();

        Open(String number) {
            this.number = number;
        }

        CueText.Sheet sheet() {
            return new CueText.Sheet(number, name, up, down, delay, followOn, levels);
        }
    }

    private final Map<Integer, List<CueText.Dimmer>> patch = new TreeMap<>();
    private final List<Open> cues = new ArrayList<>();
    private final List<Open> groups = new ArrayList<>();
    private final List<Open> submasters = new ArrayList<>();
    private final Map<String, Integer> skipped = new LinkedHashMap<>();
    private final List<String> said = new ArrayList<>();
    private int unsaid;
    private Open open;
    private boolean part;
    private boolean identified;
    private boolean ended;
    private int number;

    private CueTextReader() {}

    /** @throws Refusal naming the line that cannot be read */
    public static CueText read(byte[] octets) {
        if (octets.length > MOST_OCTETS) {
            throw Refusal.of("cues.large", "file", "A text of cues of more than 8 MB is none.");
        }
        return new CueTextReader().all(decoded(octets));
    }

    /** Seven bits by the format; what writers put into names beyond that is UTF-8 or, where it is none, Latin 1. */
    private static String decoded(byte[] octets) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(octets))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            return new String(octets, StandardCharsets.ISO_8859_1);
        }
    }

    private CueText all(String text) {
        for (String line : text.split("\r\n|\r|\n", -1)) {
            number++;
            if (!ended) {
                one(line);
            }
        }
        if (!identified) {
            throw Refusal.of(
                    "cues.ident",
                    "file",
                    "This is no text of cues: it does not begin with IDENT 3:0.",
                    WayOut.advice("Choose a file in the format USITT ASCII 3.0."));
        }
        if (unsaid > 0) {
            said.add("And " + unsaid + " more lines are taken in otherwise than they stand.");
        }
        if (!ended) {
            said.add("The text stops without ENDDATA: it may have been cut.");
        }
        skipped.forEach((word, times) ->
                said.add(word + " is not known here and was left out" + (times == 1 ? "" : ", " + times + " times")));
        return new CueText(patch, sheets(cues), sheets(groups), sheets(submasters), said);
    }

    private static List<CueText.Sheet> sheets(List<Open> all) {
        return all.stream().map(Open::sheet).toList();
    }

    private void one(String line) {
        int comment = line.indexOf('!');
        String plain = (comment < 0 ? line : line.substring(0, comment)).strip().replaceFirst("^" + DELIMITERS, "");
        if (plain.isEmpty()) {
            return;
        }
        String[] words = plain.split(DELIMITERS);
        String keyword = words[0].toUpperCase(Locale.ROOT);
        if (!identified && !keyword.equals("IDENT")) {
            return;
        }
        try {
            if (PRIMARIES.contains(keyword)) {
                primary(keyword, words, plain);
            } else if (keyword.startsWith("$") && !keyword.startsWith("$$")) {
                open = null;
                skip(keyword);
            } else if (open != null) {
                secondary(keyword, words, plain);
            } else if (!keyword.startsWith("$$")) {
                skip(keyword);
            }
        } catch (NumberFormatException | IndexOutOfBoundsException e) {
            throw Refusal.of("cues.line", "file", "Line " + number + " cannot be read: “" + shortened(plain) + "”.");
        }
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }

    /** The first are told one by one, the others are counted. */
    private void say(String words) {
        if (said.size() < MOST_SAID) {
            said.add(words);
        } else {
            unsaid++;
        }
    }

    private void skip(String keyword) {
        String word = shortened(keyword);
        skipped.merge(skipped.size() < MOST_SAID || skipped.containsKey(word) ? word : "others", 1, Integer::sum);
    }

    private void primary(String keyword, String[] words, String plain) {
        open = null;
        part = false;
        switch (keyword) {
            case "IDENT" -> {
                identified = true;
                if (!plain.substring("IDENT".length()).strip().equals("3:0")) {
                    say("It is of version “"
                            + shortened(plain.substring("IDENT".length()).strip()) + "”; 3:0 is known here.");
                }
            }
            case "PATCH" -> patch(plain);
            case "CUE" -> cues.add(opened(words[1]));
            case "GROUP" -> groups.add(opened(words[1]));
            case "SUB" -> submasters.add(opened(words[1]));
            case "ENDDATA" -> ended = true;
            default -> {
                // Who wrote it, sizes, and what to empty before: what is here stays.
            }
        }
    }

    private Open opened(String name) {
        if (cues.size() + groups.size() + submasters.size() >= MOST_SHEETS) {
            throw Refusal.of(
                    "cues.many",
                    "file",
                    "Line " + number + ": more than " + MOST_SHEETS + " cues, groups and submasters are not taken in.");
        }
        open = new Open(name);
        return open;
    }

    /** {@code PATCH 1 5<12@HFF 13@H80 6<14}: an item without a channel belongs to the one before. */
    private void patch(String plain) {
        String items = plain.substring("PATCH".length()).strip().replaceFirst("^\\d+[\\s,/;]+", "");
        Matcher found = PATCHED.matcher(items);
        int channel = 0;
        while (found.find()) {
            channel = found.group(1) == null ? channel : channel(found.group(1));
            if (channel == 0) {
                throw new NumberFormatException();
            }
            int dimmer = Integer.parseInt(found.group(2));
            if (dimmer > 0) {
                patch.computeIfAbsent(channel, c -> new ArrayList<>())
                        .add(new CueText.Dimmer(dimmer, found.group(3) == null ? 1 : level(found.group(3))));
            }
        }
    }

    private void secondary(String keyword, String[] words, String plain) {
        switch (keyword) {
            case "CHAN" -> {
                for (int i = 1; i < words.length; i += 2) {
                    open.levels.put(channel(words[i]), level(words[i + 1]));
                }
            }
            case "TEXT" -> {
                if (!part) {
                    open.name = plain.substring("TEXT".length()).strip();
                }
            }
            case "UP" -> {
                if (open.up == null) {
                    open.up = seconds(words[1]);
                    open.delay = words.length > 2 ? seconds(words[2]) : open.delay;
                }
            }
            case "DOWN" -> {
                if (open.down == null) {
                    open.down = seconds(words[1]);
                    boolean another = words.length > 2 && seconds(words[2]) != open.delay;
                    if (another) {
                        say("Line " + number + ": what falls waits as long as what rises here.");
                    }
                }
            }
            case "FOLLOWON" -> open.followOn = seconds(words[1]);
            case "PART" -> {
                part = true;
                say("Line " + number + ": the parts of cue " + open.number + " are taken in as one.");
            }
            default -> skip(keyword);
        }
    }

    private static int channel(String word) {
        int channel = Integer.parseInt(word);
        if (channel < 1 || channel > MOST_CHANNELS) {
            throw new NumberFormatException();
        }
        return channel;
    }

    /** {@code 50}, {@code FL}, {@code H80}. */
    static double level(String word) {
        String upper = word.toUpperCase(Locale.ROOT);
        double level = upper.equals("FL")
                ? 1
                : upper.startsWith("H")
                        ? Integer.parseInt(upper.substring(1), 16) / 255.0
                        : Double.parseDouble(word) / 100;
        if (!(level >= 0 && level <= 1)) {
            throw new NumberFormatException();
        }
        return level;
    }

    /** {@code 7.5} or {@code 1:30}. */
    static double seconds(String word) {
        return app.loculus.core.unit.Seconds.parse(word).value();
    }
}
