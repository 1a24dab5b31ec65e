package app.loculus.formats.cues;

import app.loculus.core.unit.Decimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/** Writes a text of cues: seven bits, lines of at most 80 characters ended by CR LF, levels in hexadecimal. */
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
                                .map(d -> channel + "<" + d.number() + "@" + hex(d.level()))
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
        if (sheet.up() != null) {
            line("UP " + Decimal.text(sheet.up(), 3) + delay);
        }
        if (sheet.down() != null) {
            line("DOWN " + Decimal.text(sheet.down(), 3) + delay);
        }
        if (sheet.followOn() != null) {
            line("FOLLOWON " + Decimal.text(sheet.followOn(), 3));
        }
        wrapped(
                "CHAN ",
                sheet.levels().entrySet().stream()
                        .map((Map.Entry<Integer, Double> e) -> e.getKey() + "@" + hex(e.getValue()))
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

    private static String hex(double level) {
        return String.format("H%02X", Math.round(level * 255));
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
