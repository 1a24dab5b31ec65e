package app.loculus.formats.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Finds the row of headers: everyday sheets have a title, a venue or a date above it, and rules between their rows. A row
 * of headers has several cells, and words that papers call their columns by.
 */
final class HeaderRow {

    /** Rows looked at; further down nobody puts headers. */
    private static final int LOOK = 30;

    /** As papers call their columns, whatever stands beside. */
    private static final Set<String> WORDS = Set.of(
            "no",
            "nr",
            "num",
            "number",
            "fixture",
            "unit",
            "channel",
            "chan",
            "ch",
            "id",
            "#",
            "name",
            "label",
            "profile",
            "type",
            "instrument",
            "model",
            "mode",
            "address",
            "dmx",
            "addr",
            "patch",
            "position",
            "location",
            "hang",
            "where",
            "purpose",
            "use",
            "focus",
            "universe",
            "univ",
            "slot",
            "notes",
            "note");

    private HeaderRow() {}

    /** @param rows from the top, empty ones left out @return the index of the headers, 0 when none stands out */
    static int in(List<Table.Row> rows) {
        int best = 0;
        int most = 1;
        for (int i = 0; i < Math.min(LOOK, rows.size()); i++) {
            int known = known(rows.get(i).cells());
            if (known > most) {
                best = i;
                most = known;
            }
        }
        return best;
    }

    private static int known(List<String> cells) {
        return (int) cells.stream()
                .map(HeaderRow::plain)
                .filter(plain -> WORDS.contains(plain) || plain.contains(" ") && WORDS.contains(last(plain)))
                .distinct()
                .count();
    }

    private static String plain(String header) {
        return header.strip().toLowerCase(Locale.ROOT).replaceAll("[.:]$", "").replaceAll("\\s+", " ");
    }

    private static String last(String plain) {
        return plain.substring(plain.lastIndexOf(' ') + 1);
    }

    /** Whether a row only rules off others: dashes, underscores, equals signs, and nothing else. */
    static boolean rule(List<String> cells) {
        boolean any = false;
        for (String cell : cells) {
            String text = cell.strip();
            if (text.matches("[-–—_=*.]{2,}")) {
                any = true;
            } else if (!text.isEmpty()) {
                return false;
            }
        }
        return any;
    }

    /** The table below its headers, without rules and empty rows. @param rows from the top */
    static Table table(List<Table.Row> rows) {
        List<Table.Row> kept = rows.stream()
                .filter(r -> r.cells().stream().anyMatch(c -> !c.isBlank()) && !rule(r.cells()))
                .toList();
        if (kept.isEmpty()) {
            return Table.checked(List.of(), List.of());
        }
        int at = in(kept);
        List<String> headers = new ArrayList<>(kept.get(at).cells());
        while (!headers.isEmpty() && headers.get(headers.size() - 1).isBlank()) {
            headers.remove(headers.size() - 1);
        }
        return Table.checked(headers, kept.subList(at + 1, kept.size()));
    }
}
