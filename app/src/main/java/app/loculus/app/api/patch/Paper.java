package app.loculus.app.api.patch;

import app.loculus.formats.csv.HookupField;
import app.loculus.formats.csv.HookupReader;
import app.loculus.formats.table.CsvTable;
import app.loculus.formats.table.SheetFile;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Paperwork as it was sent: text or a file, with a person's choice of columns. */
public record Paper(String text, byte[] file, Map<String, String> mapping) {

    /** A column of the paper; {@code field} is what it was taken for, empty for nothing. */
    record HeaderView(String header, String field, String sample) {}

    /** What was read, with what a person should know about how. */
    record Understood(HookupReader.Read read, List<String> remarks) {}

    /** A file with nothing said about its columns. */
    public static Paper ofFile(byte[] octets) {
        return new Paper("", octets, Map.of());
    }

    /** Its rows, by what its own headers say. */
    public HookupReader.Read hookup() {
        return read().read();
    }

    Understood read() {
        SheetFile.Read sheet = sheet();
        return new Understood(HookupReader.read(sheet.table(), chosen()), remarks(sheet));
    }

    /** @param needed fields without which there are no rows yet */
    Understood read(Collection<HookupField> needed) {
        SheetFile.Read sheet = sheet();
        return new Understood(HookupReader.read(sheet.table(), chosen(), needed), remarks(sheet));
    }

    private static List<String> remarks(SheetFile.Read sheet) {
        return sheet.remark().map(List::of).orElse(List.of());
    }

    private SheetFile.Read sheet() {
        return file != null && file.length > 0
                ? SheetFile.read(file)
                : new SheetFile.Read(CsvTable.read(text == null ? "" : text), Optional.empty());
    }

    private Map<String, Optional<HookupField>> chosen() {
        Map<String, Optional<HookupField>> chosen = new LinkedHashMap<>();
        if (mapping != null) {
            mapping.forEach((header, field) -> chosen.put(
                    header,
                    Arrays.stream(HookupField.values())
                            .filter(f -> f.name().equalsIgnoreCase(field))
                            .findFirst()));
        }
        return chosen;
    }

    static List<HeaderView> headers(HookupReader.Read read) {
        return read.headers().entrySet().stream()
                .map(e -> new HeaderView(
                        e.getKey(),
                        e.getValue().map(Paper::word).orElse(""),
                        read.samples().getOrDefault(e.getKey(), "")))
                .toList();
    }

    static List<String> fields() {
        return Arrays.stream(HookupField.values()).map(Paper::word).toList();
    }

    private static String word(HookupField field) {
        return field.name().toLowerCase(Locale.ROOT);
    }
}
