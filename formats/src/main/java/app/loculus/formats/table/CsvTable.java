package app.loculus.formats.table;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Reads separated text: by what a first line {@code sep=;} says, else by comma, semicolon or tab, whichever one of the
 * first lines has most of.
 */
public final class CsvTable {

    /** Characters; some fifty times a large show's hookup. */
    private static final int LONGEST = 20_000_000;

    /** Columns of one row; more is no paperwork, and a row is held whole while it is read. */
    private static final int WIDEST = 1_000;

    /** Lines looked at to find out what separates them. */
    private static final int LOOK = 20;

    private CsvTable() {}

    /** @throws Refusal naming the line, when the text is no table */
    public static Table read(String text) {
        if (text.length() > LONGEST) {
            throw Refusal.of(
                    "csv.large",
                    "file",
                    "The table is too long: it has " + text.length() + " characters; at most " + LONGEST + ", or "
                            + Table.MOST_ROWS + " rows, are read.");
        }
        String clean = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (clean.isBlank()) {
            throw Refusal.of(
                    "csv.empty", "file", "The file is empty.", WayOut.advice("The first row must hold the headers."));
        }
        // Spreadsheets write down in a line of its own what they separate by.
        Matcher told = Pattern.compile("^sep=(.)\\r?\\n").matcher(clean);
        boolean tells = told.find();
        char separator = tells ? told.group(1).charAt(0) : separator(clean);
        String rest = tells ? "\n" + clean.substring(told.end()) : clean;
        checkWidth(rest, separator);
        try (CSVParser parser = CSVParser.parse(new StringReader(rest), format(separator))) {
            return rows(parser);
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw unreadable(String.valueOf(e.getMessage()));
        }
    }

    private static Refusal unreadable(String message) {
        Matcher line = Pattern.compile("startline (\\d+)").matcher(message);
        return line.find()
                ? Table.refused(
                        "line " + line.group(1),
                        "Line " + line.group(1) + ": a quotation mark is opened there and never closed.")
                : Table.refused("file", "The table cannot be read; look for a quotation mark that is not closed.");
    }

    private static Table rows(CSVParser parser) {
        List<Table.Row> rows = new ArrayList<>();
        for (CSVRecord record : parser) {
            int line = (int) parser.getCurrentLineNumber();
            List<String> cells = new ArrayList<>();
            for (String value : record) {
                cells.add(Table.cell(Neutral.in(value), line, name(rows, cells.size())));
            }
            if (rows.size() <= Table.MOST_ROWS + 1) {
                rows.add(new Table.Row(line, cells));
            }
        }
        return HeaderRow.table(rows);
    }

    /** What a column is called, as far as that is known yet. */
    private static String name(List<Table.Row> rows, int column) {
        String header = rows.isEmpty() ? "" : rows.get(HeaderRow.in(rows)).cell(column);
        return header.isBlank() ? String.valueOf(column + 1) : "“" + header + "”";
    }

    /** Counts separators outside quotation marks before any row is built. */
    private static void checkWidth(String text, char separator) {
        int line = 1;
        int rowAt = 1;
        int columns = 1;
        boolean quoted = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '"') {
                quoted = !quoted;
            } else if (c == '\n') {
                line++;
                if (!quoted) {
                    rowAt = line;
                    columns = 1;
                }
            } else if (c == separator && !quoted && ++columns > WIDEST) {
                throw Table.refused(
                        "line " + rowAt,
                        "Line " + rowAt + " has more than " + WIDEST + " columns; so wide a table is not read.");
            }
        }
    }

    private static char separator(String text) {
        // A title above the headers has none, or commas of its own.
        char separator = ',';
        long most = 0;
        for (String line : text.lines().limit(LOOK).toList()) {
            for (char candidate : new char[] {',', ';', '\t'}) {
                if (count(line, candidate) > most) {
                    most = count(line, candidate);
                    separator = candidate;
                }
            }
        }
        return separator;
    }

    private static CSVFormat format(char separator) {
        return CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }
}
