package app.loculus.formats.cues;

import app.loculus.core.unit.Decimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/** Writes a text of cues: seven bits, lines of at most 80 characters ended by CR LF, levels as percents or in hexadecimal. */
public final class CueTextWriter {

    private static final int LONGEST = 80;

    private final StringBuilder out = new StringBuilder();

    private CueTextWriter() {}

    public static byte[] write(CueText text) {
        return new CueTextWriter().all(text).getBytes(StandardCharsets.US_ASCII);
    }

    private String all(CueText text) {
        line("IDENT 3:0");
        line("MANUFACTURER Loculus");
        line("CONSOLE Loculus");
        line("CLEAR ALL");
        text.said().forEach(s -> wrapped("! ", List.of(plain(s).split(" "))));
        text.patch()
                .forEach((channel, dimmers) -> wrapped(
                        "PATCH 1 ",
                        dimmers.stream()
                                .map(d -> channel + "<" + d.number() + "@" + level(d.level()))
                                .toList()));
        text.groups().forEach(s -> sheet("GROUP", s));
        text.submasters().forEach(s -> sheet("SUB", s));
        text.cues().forEach(s -> sheet("CUE", s));
        line("ENDDATA");
        return out.toString();
    }

    private void sheet(String keyword, CueText.Sheet sheet) {
        line(keyword + " " + sheet.number());
        if (!sheet.name().isBlank()) {
            String name = "TEXT " + plain(sheet.name());
            line(name.substring(0, Math.min(LONGEST, name.length())));
        }
        String delay = sheet.delay() == 0 ? "" : " " + Decimal.text(sheet.delay(), 3);
        // A wait stands behind a time, and where there is none behind a fade of no time.
        boolean waits = !delay.isEmpty();
        if (sheet.up() != null || waits) {
            line("UP " + time(sheet.up()) + delay);
        }
        if (sheet.down() != null || waits) {
            line("DOWN " + time(sheet.down()) + delay);
        }
        if (sheet.followOn() != null) {
            line("FOLLOWON " + Decimal.text(sheet.followOn(), 3));
        }
        wrapped(
                "CHAN ",
                sheet.levels().entrySet().stream()
                        .map((Map.Entry<Integer, Double> e) -> e.getKey() + "@" + level(e.getValue()))
                        .toList());
    }

    /** As many records as it takes. */
    private void wrapped(String keyword, List<String> items) {
        StringBuilder line = new StringBuilder();
        for (String item : items) {
            if (!line.isEmpty() && line.length() + 1 + item.length() > LONGEST) {
                line(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? keyword : " ").append(item);
        }
        if (!line.isEmpty()) {
            line(line.toString());
        }
    }

    private void line(String text) {
        out.append(text).append("\r\n");
    }

    private static String time(Double seconds) {
        return Decimal.text(seconds == null ? 0 : seconds, 3);
    }

    /** Whole percents as such, which people read; anything between them in hexadecimal, which loses nothing of eight bits. */
    private static String level(double level) {
        double percent = level * 100;
        return Math.abs(percent - Math.round(percent)) < 1e-9
                ? String.valueOf(Math.round(percent))
                : String.format("H%02X", Math.round(level * 255));
    }

    /** Seven bits without what would begin a comment or a line. */
    private static String plain(String text) {
        StringBuilder plain = new StringBuilder();
        String apart = java.text.Normalizer.normalize(text, java.text.Normalizer.Form.NFD);
        apart.chars()
                .filter(c -> Character.getType(c) != Character.NON_SPACING_MARK)
                .map(c -> c == '“' || c == '”' ? '"' : c == '’' ? '\'' : c == '!' ? '.' : c)
                .forEach(c -> plain.append(c >= ' ' && c < 127 ? (char) c : c < ' ' ? ' ' : '?'));
        return plain.toString();
    }
}
