package app.loculus.formats.csv;

import app.loculus.core.ledger.HookupRow;
import app.loculus.formats.table.CsvTable;
import app.loculus.formats.table.Table;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Reads a hookup out of CSV text. */
public final class HookupReader {

    /** Without these there are no rows yet; a person has to say which columns hold them. */
    private static final List<HookupField> NEEDED = List.of(HookupField.NUMBER, HookupField.PROFILE);

    /**
     * A hookup file as read.
     *
     * @param headers every header of the file, in order, with the field it was taken for, if any
     * @param samples the first value of each header's column, for a person who maps it
     */
    public record Read(Map<String, Optional<HookupField>> headers, Map<String, String> samples, List<HookupRow> rows) {}

    private static final String JOINED = "\\s*[+,&]\\s*";
    private static final String NUMBERS = "\\d+(?:" + JOINED + "\\d+)*";

    private HookupReader() {}

    public static Read read(String text, Map<String, Optional<HookupField>> mapping) {
        return read(CsvTable.read(text), mapping);
    }

    /**
     * @param mapping a person's own choice for headers, winning over recognition; an empty choice leaves a column out
     * @return the headers alone, without rows, while no column is known to hold what is needed
     */
    public static Read read(Table table, Map<String, Optional<HookupField>> mapping) {
        return read(table, mapping, NEEDED);
    }

    /** @param needed fields without which there are no rows yet */
    public static Read read(Table table, Map<String, Optional<HookupField>> mapping, Collection<HookupField> needed) {
        Map<String, Optional<HookupField>> headers = new LinkedHashMap<>();
        Map<String, String> samples = new LinkedHashMap<>();
        Map<HookupField, Integer> columns = new EnumMap<>(HookupField.class);
        for (int i = 0; i < table.headers().size(); i++) {
            String header = table.headers().get(i);
            Optional<HookupField> field =
                    mapping.containsKey(header) ? mapping.get(header) : HookupField.recognise(header);
            int column = i;
            headers.put(header, field);
            samples.put(
                    header, table.rows().isEmpty() ? "" : table.rows().get(0).cell(i));
            field.ifPresent(f -> columns.putIfAbsent(f, column));
        }
        List<HookupRow> rows = columns.keySet().containsAll(needed)
                ? table.rows().stream().map(r -> row(r, columns)).toList()
                : List.of();
        return new Read(headers, samples, rows);
    }

    private static HookupRow row(Table.Row row, Map<HookupField, Integer> columns) {
        Function<HookupField, String> cell = field -> row.cell(columns.getOrDefault(field, -1));
        return new HookupRow(
                row.line(),
                whole(cell.apply(HookupField.NUMBER)),
                cell.apply(HookupField.NAME),
                cell.apply(HookupField.PROFILE),
                cell.apply(HookupField.MODE),
                address(
                        cell.apply(HookupField.ADDRESS),
                        cell.apply(HookupField.UNIVERSE),
                        cell.apply(HookupField.SLOT)),
                cell.apply(HookupField.POSITION),
                cell.apply(HookupField.PURPOSE));
    }

    /** Spreadsheets write 1234 as {@code 1,234} and 12 as {@code 12.00}. */
    private static String whole(String number) {
        String text = number.strip();
        return text.matches("\\d{1,3}(,\\d{3})+(\\.0+)?|\\d+\\.0+")
                ? text.replaceAll("\\.0+$", "").replace(",", "")
                : number;
    }

    /**
     * Papers with a column for the universe have the slot in one of its own, or in the column of addresses. Several of
     * either stand side by side: {@code 5 + 5} and {@code 1 + 101}.
     */
    private static String address(String address, String universe, String slot) {
        String within = slot.isBlank() ? address.strip() : slot.strip();
        if (universe.isBlank() || !within.matches(NUMBERS)) {
            return within.isEmpty() ? universe : address.isBlank() ? within : address;
        }
        String[] universes = universe.strip().split(JOINED);
        String[] slots = within.split(JOINED);
        List<String> joined = new ArrayList<>();
        for (int i = 0; i < slots.length; i++) {
            joined.add(universes[Math.min(i, universes.length - 1)] + "." + slots[i]);
        }
        return String.join(" + ", joined);
    }
}
