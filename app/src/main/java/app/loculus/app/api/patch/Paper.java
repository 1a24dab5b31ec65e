package app.loculus.app.api.patch;

import app.loculus.formats.csv.HookupField;
import app.loculus.formats.csv.HookupReader;
import app.loculus.formats.table.CsvTable;
import app.loculus.formats.table.Table;
import app.loculus.formats.table.WorkbookTable;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Paperwork as it was sent: text or a workbook, with a person's choice of columns. */
record Paper(String text, byte[] workbook, Map<String, String> mapping) {

    /** A column of the paper; {@code field} is what it was taken for, empty for nothing. */
    record HeaderView(String header, String field, String sample) {}

    HookupReader.Read read() {
        return HookupReader.read(table(), chosen());
    }

    /** @param needed fields without which there are no rows yet */
    HookupReader.Read read(Collection<HookupField> needed) {
        return HookupReader.read(table(), chosen(), needed);
    }

    private Table table() {
        return workbook != null && workbook.length > 0
                ? WorkbookTable.read(workbook)
                : CsvTable.read(text == null ? "" : text);
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
