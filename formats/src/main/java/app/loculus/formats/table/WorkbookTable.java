package app.loculus.formats.table;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.archive.BoundedArchive;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/** Reads the first sheet of an XLSX workbook, row by row, without building the workbook in memory. */
public final class WorkbookTable {

    private WorkbookTable() {}

    /** Whether octets begin as a ZIP archive does. */
    public static boolean looksLikeOne(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /** Whether octets begin as a workbook of the kind before XLSX does, or one with a password. */
    static boolean looksOld(byte[] bytes) {
        return bytes.length > 3 && (bytes[0] & 0xFF) == 0xD0 && (bytes[1] & 0xFF) == 0xCF;
    }

    /** @throws Refusal naming row and column where it can */
    public static Table read(byte[] bytes) {
        if (looksOld(bytes)) {
            throw Refusal.of(
                    "workbook.old",
                    "file",
                    "This is a workbook of the old kind, or one with a password.",
                    WayOut.advice("Save it as .xlsx without a password, or as CSV."));
        }
        BoundedArchive archive = BoundedArchive.open(bytes);
        if (!archive.names().contains("[Content_Types].xml")) {
            throw Refusal.of("workbook.form", "file", "This archive is no XLSX workbook.");
        }
        measure(archive);
        try (OPCPackage opc = OPCPackage.open(new ByteArrayInputStream(bytes))) {
            return firstSheet(opc);
        } catch (IOException | OpenXML4JException | SAXException | RuntimeException e) {
            if (e instanceof Refusal refusal) {
                throw refusal;
            }
            throw Refusal.of(
                    "workbook.form",
                    "file",
                    "The workbook cannot be read; it may be damaged.",
                    WayOut.advice("Open it, save it again, or save it as CSV."));
        }
    }

    /** What unpacks beyond all bounds is, in a workbook, a sheet that is far too long. */
    private static void measure(BoundedArchive archive) {
        try {
            archive.measure();
        } catch (Refusal e) {
            boolean sheet = e.problems().get(0).code().equals("archive.large")
                    && e.getMessage().contains("“xl/");
            throw sheet
                    ? Refusal.of(
                            "table.long",
                            "file",
                            "The sheet is too long: " + Table.MOST_ROWS + " rows are read at most. " + e.getMessage(),
                            WayOut.advice("Leave out what is no hookup, or save the rows that are as CSV."))
                    : e;
        }
    }

    private static Table firstSheet(OPCPackage opc) throws IOException, OpenXML4JException, SAXException {
        XSSFReader reader = new XSSFReader(opc);
        Rows rows = new Rows();
        try (InputStream sheet = reader.getSheetsData().next()) {
            XMLReader xml = XMLHelper.newXMLReader();
            xml.setContentHandler(new XSSFSheetXMLHandler(
                    reader.getStylesTable(),
                    null,
                    new ReadOnlySharedStringsTable(opc),
                    rows,
                    new DataFormatter(java.util.Locale.ROOT),
                    false));
            xml.parse(new InputSource(sheet));
        } catch (javax.xml.parsers.ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
        return rows.table();
    }

    /** Collects cells; the first row that is not empty holds the headers. */
    private static final class Rows implements XSSFSheetXMLHandler.SheetContentsHandler {
        private final List<String> headers = new ArrayList<>();
        private final List<Table.Row> rows = new ArrayList<>();
        private List<String> cells = new ArrayList<>();

        @Override
        public void startRow(int row) {
            cells = new ArrayList<>();
        }

        @Override
        public void endRow(int row) {
            if (cells.stream().allMatch(String::isBlank)) {
                return;
            }
            if (headers.isEmpty()) {
                headers.addAll(cells);
            } else if (rows.size() <= Table.MOST_ROWS) {
                rows.add(new Table.Row(row + 1, List.copyOf(cells)));
            }
        }

        @Override
        public void cell(String reference, String value, XSSFComment comment) {
            CellReference at = new CellReference(reference);
            if (at.getCol() >= Table.MOST_COLUMNS) {
                throw Table.refused(
                        "row " + (at.getRow() + 1),
                        "Row " + (at.getRow() + 1) + ", column " + reference.replaceAll("\\d", "")
                                + ": the sheet has more than " + Table.MOST_COLUMNS + " columns.");
            }
            while (cells.size() < at.getCol()) {
                cells.add("");
            }
            String text = Table.cell(value == null ? "" : value, at.getRow() + 1, reference.replaceAll("\\d", ""));
            if (text.startsWith("ERROR:") || text.matches("#(REF!|N/A|VALUE!|NAME\\?|DIV/0!)")) {
                throw Refusal.of(
                        "workbook.cell",
                        reference,
                        "Row " + (at.getRow() + 1) + ", column " + reference.replaceAll("\\d", "")
                                + ": the cell holds the error " + text.replace("ERROR:", "") + ".",
                        WayOut.advice("Mend it in the spreadsheet."));
            }
            cells.add(text);
        }

        Table table() {
            if (headers.isEmpty()) {
                throw Refusal.of(
                        "workbook.empty",
                        "file",
                        "The first sheet is empty.",
                        WayOut.advice("The first row must hold the headers."));
            }
            return Table.checked(headers, rows);
        }
    }
}
