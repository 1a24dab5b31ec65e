package app.loculus.formats.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.problem.Refusal;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

class TablesTest {

    /** Numbers become number cells, {@code =…} formulas. */
    private static byte[] workbook(Object[]... rows) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            XSSFSheet sheet = book.createSheet("Hookup");
            for (int r = 0; r < rows.length; r++) {
                XSSFRow row = sheet.createRow(r);
                for (int c = 0; c < rows[r].length; c++) {
                    fill(row.createCell(c), rows[r][c]);
                }
            }
            book.createSheet("Other").createRow(0).createCell(0).setCellValue("not this one");
            book.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static void fill(Cell cell, Object value) {
        if (value instanceof Number number) {
            cell.setCellValue(number.doubleValue());
        } else if (value instanceof String text && text.startsWith("=")) {
            cell.setCellErrorValue(org.apache.poi.ss.usermodel.FormulaError.REF.getCode());
        } else {
            cell.setCellValue((String) value);
        }
    }

    @Test
    void the_first_sheet_is_read_with_the_rows_it_stood_on() {
        byte[] book = workbook(
                new Object[] {"No", "Profile", "Address"},
                new Object[] {101, "Skiff Wash", "1.1"},
                new Object[] {},
                new Object[] {102.0, "", 2.5});
        Table table = WorkbookTable.read(book).table();
        assertThat(WorkbookTable.looksLikeOne(book)).isTrue();
        assertThat(table.headers()).containsExactly("No", "Profile", "Address");
        assertThat(table.rows())
                .containsExactly(
                        new Table.Row(2, List.of("101", "Skiff Wash", "1.1")),
                        new Table.Row(4, List.of("102", "", "2.5")));
        assertThat(table.rows().get(1).cell(7)).isEmpty();
    }

    @Test
    void a_broken_cell_is_named_by_row_and_column() {
        assertThatThrownBy(() -> WorkbookTable.read(workbook(new Object[] {"No", "Address"}, new Object[] {1, "=A9"})))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("Row 2, column B: the cell holds the error #REF!");
        assertThatThrownBy(() -> WorkbookTable.read(workbook(new Object[] {"No"}, new Object[] {"x".repeat(5000)})))
                .hasMessageContaining("Row 2, column A: the cell has 5000 characters");
        assertThatThrownBy(() -> WorkbookTable.read(workbook(new Object[] {"No", "No"}, new Object[] {1, 2})))
                .hasMessageContaining("Row 1: two columns are called “No”");
        assertThatThrownBy(() -> WorkbookTable.read(workbook()))
                .hasMessageContaining("No sheet of the workbook holds a table");
    }

    @Test
    void what_is_no_workbook_is_refused_in_words() {
        byte[] good = workbook(new Object[] {"No"}, new Object[] {1});
        assertThatThrownBy(() -> WorkbookTable.read(Arrays.copyOf(good, good.length / 2)))
                .hasMessageContaining("cut short");
        byte[] old = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, 0};
        assertThatThrownBy(() -> WorkbookTable.read(old)).hasMessageContaining("old kind");
        assertThatThrownBy(() -> WorkbookTable.read("PK".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void separated_text_is_read_by_whatever_separates_its_first_line() {
        for (String separator : List.of(",", ";", "\t")) {
            Table table = CsvTable.read("No" + separator + "Name\r\n1" + separator + "\"Left, right; both\"\r\n");
            assertThat(table.headers()).containsExactly("No", "Name");
            assertThat(table.rows()).hasSize(1);
            assertThat(table.rows().get(0).cell(1)).isEqualTo("Left, right; both");
        }
    }

    @Test
    void broken_text_is_named_by_line_and_column() {
        assertThatThrownBy(() -> CsvTable.read("No,Name\n1,\"open")).hasMessageContaining("Line 2: a quotation mark");
        assertThatThrownBy(() -> CsvTable.read("No,Name\n1," + "x".repeat(5000)))
                .hasMessageContaining("Row 2, column “Name”: the cell has 5000 characters");
        assertThatThrownBy(() -> CsvTable.read("a,a\n1,2")).hasMessageContaining("two columns are called “a”");
        assertThatThrownBy(() -> CsvTable.read(" \n ")).hasMessageContaining("empty");
    }

    @Test
    void what_everyday_sheets_have_around_their_rows_is_left_out() {
        Table table = CsvTable.read("The Lark, channel hookup\n\nVenue:,Town hall\n"
                + "Chan,Name,Type,Address\n-----,-----,-----,-----\n1,Left,Par,1.1\n\n2,Right,Par,1.4\n");
        assertThat(table.headers()).containsExactly("Chan", "Name", "Type", "Address");
        assertThat(table.rows()).extracting(r -> r.line() + " " + r.cell(1)).containsExactly("6 Left", "8 Right");
        Table told = CsvTable.read("sep=;\nNo;Name\n1;\"Left, high\"\n");
        assertThat(told.headers()).containsExactly("No", "Name");
        assertThat(told.rows().get(0).cell(1)).isEqualTo("Left, high");
        assertThat(told.rows().get(0).line()).isEqualTo(3);
    }

    @Test
    void a_fixture_that_is_called_like_a_column_is_no_row_of_headers() {
        Table table = CsvTable.read("No,Name,Purpose\n1,Position,Focus\n2,Slot,Unit\n");
        assertThat(table.headers()).containsExactly("No", "Name", "Purpose");
        assertThat(table.rows()).hasSize(2);
    }

    @Test
    void a_cover_a_hidden_sheet_merged_cells_and_hidden_rows_are_understood_and_said() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            book.createSheet("Cover").createRow(0).createCell(0).setCellValue("The Lark");
            XSSFSheet hidden = book.createSheet("Old");
            fill(hidden, 0, "No", "Address");
            fill(hidden, 1, 7, "9.1");
            book.setSheetHidden(1, true);
            XSSFSheet sheet = book.createSheet("Patch");
            fill(sheet, 0, "Hookup of Monday");
            fill(sheet, 2, "Position", "No", "Address");
            fill(sheet, 3, "Bridge 1", 1, "1.1");
            fill(sheet, 4, "", 2, "1.4");
            fill(sheet, 5, "Floor", 3, "1.7");
            sheet.addMergedRegion(new CellRangeAddress(3, 4, 0, 0));
            sheet.getRow(5).setZeroHeight(true);
            book.write(bytes);
        }
        SheetFile.Read read = SheetFile.read(bytes.toByteArray());
        assertThat(read.table().headers()).containsExactly("Position", "No", "Address");
        assertThat(read.table().rows())
                .extracting(r -> r.cell(0) + " " + r.cell(1))
                .containsExactly("Bridge 1 1", "Bridge 1 2", "Floor 3");
        assertThat(read.remark()).contains("The table was found on the sheet “Patch”. A hidden row was read as well.");
    }

    private static void fill(XSSFSheet sheet, int row, Object... cells) {
        XSSFRow made = sheet.createRow(row);
        for (int c = 0; c < cells.length; c++) {
            fill(made.createCell(c), cells[c]);
        }
    }
}
