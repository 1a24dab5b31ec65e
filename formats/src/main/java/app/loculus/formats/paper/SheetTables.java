package app.loculus.formats.paper;

import app.loculus.core.paper.Sheet.Cells;
import app.loculus.formats.table.Neutral;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;

/** Sheets of rows as workbooks and as separated text, headings as a column of their own. */
public final class SheetTables {

    /** So that spreadsheets take the text for what it is. */
    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private static final int CHARACTER = 256;

    /** Widest column, in characters. */
    private static final int WIDEST = 60;

    /** Rows that are held in memory while a workbook is written. */
    private static final int WINDOW = 200;

    /** Characters that a workbook allows in the name of a sheet. */
    private static final int LONGEST_NAME = 31;

    private SheetTables() {}

    /** A sheet as one table. */
    private record Flat(List<String> heads, List<Cells> cells, List<List<String>> rows) {

        static Flat of(app.loculus.core.paper.Sheet sheet) {
            boolean headed = sheet.sections().stream()
                    .anyMatch(s -> !s.heading().isEmpty() && !s.rows().isEmpty());
            List<String> heads = new ArrayList<>();
            List<Cells> cells = new ArrayList<>();
            if (headed) {
                heads.add("Under");
                cells.add(Cells.TEXT);
            }
            sheet.columns().forEach(c -> {
                heads.add(c.head());
                cells.add(c.cells());
            });
            List<List<String>> rows = new ArrayList<>();
            for (app.loculus.core.paper.Sheet.Section section : sheet.sections()) {
                for (List<String> row : section.rows()) {
                    List<String> all = new ArrayList<>(row);
                    if (headed) {
                        all.add(0, section.heading());
                    }
                    rows.add(all);
                }
            }
            return new Flat(heads, cells, rows);
        }
    }

    /** UTF-8 with commas and a byte order mark; nothing in it is a formula. */
    public static byte[] csv(app.loculus.core.paper.Sheet sheet) {
        Flat flat = Flat.of(sheet);
        StringWriter text = new StringWriter().append(BYTE_ORDER_MARK);
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.DEFAULT)) {
            csv.printRecord(flat.heads());
            for (List<String> row : flat.rows()) {
                csv.printRecord(row.stream().map(Neutral::out).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** Numbers are numbers, everything else is text; the heads stay in sight and can be filtered by. */
    public static byte[] workbook(List<app.loculus.core.paper.Sheet> sheets) {
        try (SXSSFWorkbook book = new SXSSFWorkbook(WINDOW);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Font bold = book.createFont();
            bold.setBold(true);
            CellStyle heading = book.createCellStyle();
            heading.setFont(bold);
            for (app.loculus.core.paper.Sheet sheet : sheets) {
                write(book.createSheet(name(book, sheet.title())), Flat.of(sheet), heading);
            }
            book.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String name(SXSSFWorkbook book, String title) {
        String plain = title.replaceAll("[\\[\\]:*?/\\\\]", " ").strip();
        String name = plain.isEmpty() ? "Sheet" : plain.substring(0, Math.min(plain.length(), LONGEST_NAME));
        return book.getSheet(name) == null ? name : "Sheet " + (book.getNumberOfSheets() + 1);
    }

    private static void write(Sheet sheet, Flat flat, CellStyle heading) {
        Row heads = sheet.createRow(0);
        int[] widths = new int[flat.heads().size()];
        for (int i = 0; i < widths.length; i++) {
            Cell cell = heads.createCell(i);
            cell.setCellValue(flat.heads().get(i));
            cell.setCellStyle(heading);
            widths[i] = flat.heads().get(i).length();
        }
        int line = 1;
        for (List<String> row : flat.rows()) {
            Row to = sheet.createRow(line++);
            for (int i = 0; i < row.size(); i++) {
                String text = row.get(i);
                widths[i] = Math.max(widths[i], text.length());
                if (text.isEmpty()) {
                    continue;
                }
                Cell cell = to.createCell(i);
                if (flat.cells().get(i) == Cells.NUMBER && text.matches("-?\\d{1,9}")) {
                    cell.setCellValue(Integer.parseInt(text));
                } else {
                    cell.setCellValue(text);
                }
            }
        }
        for (int i = 0; i < widths.length; i++) {
            sheet.setColumnWidth(i, (Math.min(WIDEST, widths[i]) + 3) * CHARACTER);
        }
        sheet.createFreezePane(0, 1);
        if (line > 1) {
            sheet.setAutoFilter(new CellRangeAddress(0, line - 1, 0, widths.length - 1));
        }
    }
}
