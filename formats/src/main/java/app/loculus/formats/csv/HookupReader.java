package app.loculus.formats.csv;

import app.loculus.core.check.HookupRow;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;

/** Reads a hookup out of CSV text. */
public final class HookupReader {

    /** Characters; some fifty times a large show's hookup. */
    private static final int LONGEST = 20_000_000;

    private static final int MOST_ROWS = 50_000;

    /** Without these there are no rows yet; a person has to say which columns hold them. */
    private static final List<HookupField> NEEDED = List.of(HookupField.NUMBER, HookupField.PROFILE);

    /**
     * A hookup file as read.
     *
     * @param headers every header of the file, in order, with the field it was taken for, if any
     * @param samples the first value of each header's column, for a person who maps it
     */
    public record Read(Map<String, Optional<HookupField>> headers, Map<String, String> samples, List<HookupRow> rows) {}

    private HookupReader() {}

    /**
     * @param mapping a person's own choice for headers, winning over recognition; an empty choice leaves a column out
     * @return the headers alone, without rows, while no column is known to hold number and profile
     * @throws Refusal naming the line, when the text is no table
     */
    public static Read read(String text, Map<String, Optional<HookupField>> mapping) {
        if (text.length() > LONGEST) {
            throw Refusal.of(
                    "csv.large",
                    "file",
                    "The file has " + text.length() + " characters; at most " + LONGEST + " are read.");
        }
        String clean = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (clean.isBlank()) {
            throw Refusal.of(
                    "csv.empty", "file", "The file is empty.", WayOut.advice("The first row must hold the headers."));
        }
        try (CSVParser parser = CSVParser.parse(new StringReader(clean), format(clean))) {
            return read(parser, mapping);
        } catch (IOException | UncheckedIOException e) {
            throw Refusal.of(
                    "csv.form",
                    "file",
                    "The table cannot be read: " + e.getMessage(),
                    WayOut.advice("Look for a quotation mark that is not closed."));
        } catch (IllegalArgumentException e) {
            throw Refusal.of(
                    "csv.headers",
                    "line 1",
                    "The headers cannot be read: " + e.getMessage(),
                    WayOut.advice("Every column needs a name of its own."));
        }
    }

    private static CSVFormat format(String text) {
        String first = text.lines().findFirst().orElse("");
        char separator = ',';
        for (char candidate : new char[] {';', '\t'}) {
            if (count(first, candidate) > count(first, separator)) {
                separator = candidate;
            }
        }
        return CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setDuplicateHeaderMode(DuplicateHeaderMode.ALLOW_EMPTY)
                .setAllowMissingColumnNames(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }

    private static Read read(CSVParser parser, Map<String, Optional<HookupField>> mapping) {
        Map<String, Optional<HookupField>> headers = new LinkedHashMap<>();
        parser.getHeaderNames()
                .forEach(h -> headers.put(h, mapping.containsKey(h) ? mapping.get(h) : HookupField.recognise(h)));
        Map<HookupField, String> columns = columns(headers);
        if (!columns.keySet().containsAll(NEEDED)) {
            return new Read(headers, samples(parser, headers), List.of());
        }
        List<HookupRow> rows = new ArrayList<>();
        Map<String, String> samples = new LinkedHashMap<>();
        for (CSVRecord record : parser) {
            if (rows.size() >= MOST_ROWS) {
                throw Refusal.of(
                        "csv.rows",
                        "line " + parser.getCurrentLineNumber(),
                        "More than " + MOST_ROWS + " rows are not read.");
            }
            headers.keySet().forEach(h -> samples.putIfAbsent(h, value(record, h)));
            rows.add(row((int) parser.getCurrentLineNumber(), record, columns));
        }
        return new Read(headers, samples, rows);
    }

    private static Map<String, String> samples(CSVParser parser, Map<String, Optional<HookupField>> headers) {
        Map<String, String> samples = new LinkedHashMap<>();
        parser.stream().limit(1).forEach(r -> headers.keySet().forEach(h -> samples.put(h, value(r, h))));
        return samples;
    }

    /** The first column of each field wins. */
    private static Map<HookupField, String> columns(Map<String, Optional<HookupField>> headers) {
        Map<HookupField, String> columns = new HashMap<>();
        headers.forEach((header, field) -> field.ifPresent(f -> columns.putIfAbsent(f, header)));
        return columns;
    }

    private static String value(CSVRecord record, String header) {
        return header != null && record.isSet(header) ? record.get(header) : "";
    }

    private static HookupRow row(int line, CSVRecord record, Map<HookupField, String> columns) {
        String[] values = new String[HookupField.values().length];
        for (HookupField field : HookupField.values()) {
            values[field.ordinal()] = value(record, columns.get(field));
        }
        return new HookupRow(line, values[0], values[1], values[2], values[3], values[4], values[5], values[6]);
    }
}
