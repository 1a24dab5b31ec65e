package app.loculus.formats.csv;

import app.loculus.core.ledger.HookupRow;
import app.loculus.formats.table.Neutral;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** Writes a hookup as separated text or as a workbook; {@link HookupReader} takes both in again. */
public final class HookupWriter {

    /** So that spreadsheets take the text for what it is. */
    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private static final List<String> HEADERS =
            List.of("Number", "Name", "Profile", "Mode", "Address", "Position", "Purpose");

    /** Widths of the columns in characters. */
    private static final int[] WIDTHS = {9, 28, 26, 18, 16, 22, 30};

    private static final int CHARACTER = 256;

    private HookupWriter() {}

    private static List<String> cells(HookupRow r) {
        return List.of(r.number(), r.name(), r.profile(), r.mode(), r.address(), r.position(), r.purpose());
    }

    /** UTF-8 with commas and a byte order mark; nothing in it is a formula. */
    public static byte[] csv(List<HookupRow> rows) {
        StringWriter text = new StringWriter().append(BYTE_ORDER_MARK);
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.DEFAULT)) {
            csv.printRecord(HEADERS);
            for (HookupRow row : rows) {
                csv.printRecord(cells(row).stream().map(Neutral::out).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** One sheet; numbers are numbers, everything else is text, so that no address becomes a fraction or a date. */
    public static byte[] workbook(List<HookupRow> rows) {
        try (XSSFWorkbook book = new XSSFWorkbook();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Sheet sheet = book.createSheet("Hookup");
            Font bold = book.createFont();
            bold.setBold(true);
            CellStyle heading = book.createCellStyle();
            heading.setFont(bold);
            Row headers = sheet.createRow(0);
            for (int i = 0; i < HEADERS.size(); i++) {
                headers.createCell(i).setCellValue(HEADERS.get(i));
                headers.getCell(i).setCellStyle(heading);
                sheet.setColumnWidth(i, WIDTHS[i] * CHARACTER);
            }
            sheet.createFreezePane(0, 1);
            for (HookupRow row : rows) {
                Row line = sheet.createRow(row.line() - 1);
                List<String> cells = cells(row);
                line.createCell(0).setCellValue(Integer.parseInt(cells.get(0)));
                for (int i = 1; i < cells.size(); i++) {
                    line.createCell(i).setCellValue(cells.get(i));
                }
            }
            book.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
