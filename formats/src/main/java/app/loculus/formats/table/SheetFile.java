package app.loculus.formats.table;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;

/** Reads a table from the octets of a file, whatever it is: a workbook, or text in an encoding that can be told. */
public final class SheetFile {

    private static final Charset WESTERN = Charset.forName("windows-1252");

    /** Byte order marks, longest first where one begins as another does. */
    private static final Map<String, String> MARKS = Map.of(
            "EF BB BF", "UTF-8",
            "FF FE", "UTF-16LE",
            "FE FF", "UTF-16BE");

    /** Octets looked at to tell text without a mark from anything else. */
    private static final int LOOK = 4_000;

    /**
     * A table and how its text was taken.
     *
     * @param remark what a person should know about it; empty for what is plain
     */
    public record Read(Table table, Optional<String> remark) {}

    private SheetFile() {}

    /** @throws Refusal in words when the file is no table */
    public static Read read(byte[] octets) {
        if (WorkbookTable.looksLikeOne(octets) || WorkbookTable.looksOld(octets)) {
            return WorkbookTable.read(octets);
        }
        for (Map.Entry<String, String> mark : MARKS.entrySet()) {
            if (begins(octets, mark.getKey())) {
                return new Read(CsvTable.read(strictly(octets, Charset.forName(mark.getValue()))), Optional.empty());
            }
        }
        Optional<Charset> wide = wide(octets);
        if (wide.isPresent()) {
            return new Read(CsvTable.read(strictly(octets, wide.get())), Optional.empty());
        }
        if (hasControls(octets)) {
            throw Refusal.of(
                    "table.form",
                    "file",
                    "This is neither text nor a workbook.",
                    WayOut.advice("Save the table as CSV in UTF-8, or as XLSX."));
        }
        try {
            return new Read(CsvTable.read(decoded(octets, StandardCharsets.UTF_8)), Optional.empty());
        } catch (CharacterCodingException e) {
            return new Read(
                    CsvTable.read(new String(octets, WESTERN)),
                    Optional.of("The text is not UTF-8; it was read as Western European (windows-1252). "
                            + "Look at names with accents."));
        }
    }

    private static boolean begins(byte[] octets, String mark) {
        String[] parts = mark.split(" ");
        for (int i = 0; i < parts.length; i++) {
            if (i >= octets.length || (octets[i] & 0xFF) != Integer.parseInt(parts[i], 16)) {
                return false;
            }
        }
        return true;
    }

    /** Text of two octets a character without a mark: one half of them is nearly always 0. */
    private static Optional<Charset> wide(byte[] octets) {
        int look = Math.min(LOOK, octets.length) & ~1;
        int first = 0;
        int second = 0;
        for (int i = 0; i < look; i += 2) {
            first += octets[i] == 0 ? 1 : 0;
            second += octets[i + 1] == 0 ? 1 : 0;
        }
        if (look >= 4 && second > look / 4 && first < look / 50 + 1) {
            return Optional.of(StandardCharsets.UTF_16LE);
        }
        return look >= 4 && first > look / 4 && second < look / 50 + 1
                ? Optional.of(StandardCharsets.UTF_16BE)
                : Optional.empty();
    }

    private static boolean hasControls(byte[] octets) {
        for (int i = 0; i < Math.min(LOOK, octets.length); i++) {
            if (octets[i] >= 0 && octets[i] < ' ' && octets[i] != '\t' && octets[i] != '\n' && octets[i] != '\r') {
                return true;
            }
        }
        return false;
    }

    private static String strictly(byte[] octets, Charset charset) {
        try {
            String text = decoded(octets, charset);
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw Refusal.of(
                    "table.encoding",
                    "file",
                    "The file says it is " + charset.name() + " text, but it is not; it may be cut short.",
                    WayOut.advice("Save the table again, as CSV in UTF-8 or as XLSX."));
        }
    }

    private static String decoded(byte[] octets, Charset charset) throws CharacterCodingException {
        return charset.newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .decode(ByteBuffer.wrap(octets))
                .toString();
    }
}
