package app.loculus.formats.table;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.archive.BoundedArchive;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.Attributes;
import org.xml.sax.ContentHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;
import org.xml.sax.helpers.DefaultHandler;

/** Reads a sheet of an XLSX workbook, row by row, without building the workbook in memory. */
public final class WorkbookTable {

    /** Cells filled from cells over several rows. */
    private static final int MOST_FILLED = 200_000;

    /** Sheets looked into. */
    private static final int MOST_SHEETS = 20;

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
    static SheetFile.Read read(byte[] bytes) {
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

    /** The first sheet that is seen and holds a table; a cover or a sheet that is hidden may lie before it. */
    private static SheetFile.Read firstSheet(OPCPackage opc) throws IOException, OpenXML4JException, SAXException {
        XSSFReader reader = new XSSFReader(opc);
        Set<String> hidden = hidden(reader);
        SheetFile.Read first = null;
        XSSFReader.SheetIterator sheets = (XSSFReader.SheetIterator) reader.getSheetsData();
        for (int i = 0; sheets.hasNext() && i < MOST_SHEETS; i++) {
            sheets.next().close();
            if (hidden.contains(sheets.getSheetName())) {
                continue;
            }
            Laid laid = laid(sheets.getSheetPart());
            Table table = rows(opc, reader, sheets.getSheetPart()).table(laid);
            SheetFile.Read read = new SheetFile.Read(table, remark(i, sheets.getSheetName(), laid));
            if (table.headers().size() > 1 && !table.rows().isEmpty()) {
                return read;
            }
            first = first == null && table.headers().size() + table.rows().size() > 1 ? read : first;
        }
        if (first == null) {
            throw Refusal.of(
                    "workbook.empty",
                    "file",
                    "No sheet of the workbook holds a table.",
                    WayOut.advice("Some sheet must hold a row of headers, and rows below it."));
        }
        return first;
    }

    private static Optional<String> remark(int sheet, String name, Laid laid) {
        List<String> said = new ArrayList<>();
        if (sheet > 0) {
            said.add("The table was found on the sheet “" + name + "”.");
        }
        if (laid.hiddenRows() > 0) {
            said.add((laid.hiddenRows() == 1 ? "A hidden row was" : laid.hiddenRows() + " hidden rows were")
                    + " read as well.");
        }
        return said.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", said));
    }

    /** Cells that are one over several rows, and rows that are not seen. */
    private record Laid(List<CellRangeAddress> merged, int hiddenRows) {}

    private static Laid laid(PackagePart sheet) throws IOException, SAXException {
        List<CellRangeAddress> merged = new ArrayList<>();
        int[] hidden = {0};
        xml(sheet.getInputStream(), new DefaultHandler() {
            @Override
            public void startElement(String uri, String local, String qualified, Attributes a) {
                if (local.equals("row") && List.of("1", "true").contains(String.valueOf(a.getValue("hidden")))) {
                    hidden[0]++;
                } else if (local.equals("mergeCell") && merged.size() < Table.MOST_ROWS) {
                    merged.add(CellRangeAddress.valueOf(a.getValue("ref")));
                }
            }
        });
        return new Laid(merged, hidden[0]);
    }

    private static void xml(InputStream in, ContentHandler handler) throws IOException, SAXException {
        try (in) {
            XMLReader xml = XMLHelper.newXMLReader();
            xml.setContentHandler(handler);
            xml.parse(new InputSource(in));
        } catch (javax.xml.parsers.ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Set<String> hidden(XSSFReader reader) throws IOException, OpenXML4JException, SAXException {
        Set<String> names = new HashSet<>();
        try (InputStream workbook = reader.getWorkbookData()) {
            xml(workbook, new DefaultHandler() {
                @Override
                public void startElement(String uri, String local, String qualified, Attributes a) {
                    String state = a.getValue("state");
                    if (local.equals("sheet") && state != null && !state.equals("visible")) {
                        names.add(a.getValue("name"));
                    }
                }
            });
        }
        return names;
    }

    private static Rows rows(OPCPackage opc, XSSFReader reader, PackagePart sheet)
            throws IOException, OpenXML4JException, SAXException {
        Rows rows = new Rows();
        xml(
                sheet.getInputStream(),
                new XSSFSheetXMLHandler(
                        reader.getStylesTable(),
                        null,
                        new ReadOnlySharedStringsTable(opc),
                        rows,
                        new DataFormatter(java.util.Locale.ROOT),
                        false));
        return rows;
    }

    /** Collects cells. */
    private static final class Rows implements XSSFSheetXMLHandler.SheetContentsHandler {
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
            if (rows.size() <= Table.MOST_ROWS + 1) {
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

        /** What stands in a cell over several rows stands in each of them. */
        Table table(Laid laid) {
            Map<Integer, List<String>> byLine = new HashMap<>();
            List<Table.Row> all = new ArrayList<>();
            for (Table.Row row : rows) {
                List<String> own = new ArrayList<>(row.cells());
                byLine.put(row.line(), own);
                all.add(new Table.Row(row.line(), own));
            }
            int left = MOST_FILLED;
            for (CellRangeAddress range : laid.merged()) {
                List<String> first = byLine.getOrDefault(range.getFirstRow() + 1, List.of());
                int column = range.getFirstColumn();
                String value = column < first.size() ? first.get(column) : "";
                int last = Math.min(range.getLastRow() + 1, range.getFirstRow() + 1 + Table.MOST_ROWS);
                for (int line = range.getFirstRow() + 2; !value.isEmpty() && line <= last && left-- > 0; line++) {
                    List<String> below = byLine.get(line);
                    if (below != null) {
                        while (below.size() <= column) {
                            below.add("");
                        }
                        below.set(column, below.get(column).isEmpty() ? value : below.get(column));
                    }
                }
            }
            return HeaderRow.table(all);
        }
    }
}
