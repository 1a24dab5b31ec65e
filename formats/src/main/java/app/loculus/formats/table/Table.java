package app.loculus.formats.table;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Headers and rows of text. */
public record Table(List<String> headers, List<Row> rows) {

    static final int MOST_ROWS = 50_000;
    static final int MOST_COLUMNS = 200;
    static final int LONGEST_CELL = 4_000;

    /**
     * One row.
     *
     * @param line where it stands in its file, from 1
     * @param cells as many as there are headers, or fewer
     */
    public record Row(int line, List<String> cells) {

        public String cell(int column) {
            return column >= 0 && column < cells.size() ? cells.get(column) : "";
        }
    }

    public Table {
        headers = List.copyOf(headers);
        rows = List.copyOf(rows);
    }

    /** @throws Refusal naming row and column where the table cannot be right */
    static Table checked(List<String> headers, List<Row> rows) {
        if (headers.size() > MOST_COLUMNS) {
            throw refused(
                    "row 1", "The table has " + headers.size() + " columns; at most " + MOST_COLUMNS + " are read.");
        }
        if (rows.size() > MOST_ROWS) {
            throw refused(
                    "row " + rows.get(MOST_ROWS).line(),
                    "The table is too long: more than " + MOST_ROWS + " rows are not read.");
        }
        Set<String> seen = new HashSet<>();
        for (String header : headers) {
            if (!header.isBlank() && !seen.add(header)) {
                throw Refusal.of(
                        "table.headers",
                        "row 1",
                        "Row 1: two columns are called “" + header + "”.",
                        WayOut.advice("Every column needs a name of its own."));
            }
        }
        return new Table(headers, rows);
    }

    static Refusal refused(String place, String words) {
        return Refusal.of("table.form", place, words);
    }

    /** @throws Refusal naming row and column when a cell is no cell of a hookup */
    static String cell(String text, int row, String column) {
        if (text.length() > LONGEST_CELL) {
            throw refused(
                    "row " + row + ", column " + column,
                    "Row " + row + ", column " + column + ": the cell has " + text.length() + " characters; at most "
                            + LONGEST_CELL + " are read.");
        }
        return text.strip();
    }
}
