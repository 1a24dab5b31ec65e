package app.loculus.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.core.paper.Sheet;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;

/** What stands in a PDF, read by another part of the library than wrote it. */
class PaperWriterTest {

    private static final List<Sheet.Column> COLUMNS =
            List.of(new Sheet.Column("No.", 1), new Sheet.Column("Name", 3), new Sheet.Column("Who", 6));

    private static byte[] paper(List<List<String>> rows) {
        Sheet.Section section = new Sheet.Section("Bridge", "hung on Monday", false, rows);
        return PaperWriter.write(
                new Sheet("Groups", "so many", COLUMNS, List.of(section)), new About("Tide", 7, "1 December 2026"));
    }

    private static String text(PDDocument document, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setSortByPosition(true);
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        return stripper.getText(document);
    }

    /** The right edge of whatever stands the furthest right, and how low the lowest is. */
    private static double[] extent(PDDocument document) throws IOException {
        List<TextPosition> all = new ArrayList<>();
        new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition text) {
                all.add(text);
            }
        }.getText(document);
        return new double[] {
            all.stream().mapToDouble(t -> t.getX() + t.getWidth()).max().orElse(0),
            all.stream().mapToDouble(TextPosition::getY).max().orElse(0)
        };
    }

    @Test
    void a_row_is_a_line_and_the_page_says_what_it_is() throws IOException {
        try (PDDocument document = Loader.loadPDF(paper(List.of(List.of("3", "Front “low”", "1 thru 4 + 9"))))) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(text(document, 1))
                    .contains("Groups", "Tide", "so many", "No. Name Who", "Bridge", "hung on Monday")
                    .contains("3 Front “low” 1 thru 4 + 9")
                    .contains("Tide · revision 7", "1 December 2026", "Tide page 1 of 1");
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Tide – Groups");
        }
    }

    @Test
    void many_rows_take_many_pages_none_is_lost_and_each_page_has_its_heads() throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (int i = 1; i <= 300; i++) {
            rows.add(List.of("n" + i, "Name " + i, String.join(" + ", Collections.nCopies(1 + i % 40, "1" + i))));
        }
        try (PDDocument document = Loader.loadPDF(paper(rows))) {
            int pages = document.getNumberOfPages();
            assertThat(pages).isGreaterThan(5);
            StringBuilder all = new StringBuilder();
            for (int i = 1; i <= pages; i++) {
                assertThat(text(document, i)).contains("No. Name Who").contains("page " + i + " of " + pages);
                all.append(text(document, i));
            }
            for (int i = 1; i <= 300; i++) {
                assertThat(all).containsPattern("\\bn" + i + "\\b");
            }
            assertThat(all.toString().split("\\b139\\b").length - 1)
                    .as("a row of many lines, and a name")
                    .isEqualTo(41);
            PDPage page = document.getPage(0);
            assertThat(extent(document)[0]).isLessThan(page.getMediaBox().getWidth() - 40);
            assertThat(extent(document)[1]).isLessThan(page.getMediaBox().getHeight() - 20);
        }
    }

    @Test
    void a_word_wider_than_its_column_is_broken_and_a_cell_longer_than_a_page_goes_on() throws IOException {
        String wide = "x".repeat(400);
        String long_ = String.join(" ", Collections.nCopies(9_000, "word"));
        try (PDDocument document = Loader.loadPDF(paper(List.of(List.of("1", wide, long_))))) {
            assertThat(document.getNumberOfPages()).isGreaterThan(1);
            StringBuilder all = new StringBuilder();
            for (int i = 1; i <= document.getNumberOfPages(); i++) {
                all.append(text(document, i));
            }
            assertThat(all.chars().filter(c -> c == 'x').count()).isEqualTo(400);
            assertThat(all.toString().split("word", -1).length - 1).isEqualTo(9_000);
            assertThat(extent(document)[0]).isLessThan(560);
        }
    }

    @Test
    void letters_of_other_scripts_are_set_and_what_has_no_shape_is_spelled_out() throws IOException {
        try (PDDocument document = Loader.loadPDF(paper(List.of(
                List.of("1", "Мост Γέφυρα É", "tab\tand\nline"),
                List.of("2", "灯 ハシゴ 무대", "🔦 why?"),
                List.of("3", "גשר 7", "جسر"))))) {
            assertThat(text(document, 1))
                    .contains("Мост Γέφυρα É", "tab and line", "灯 ハシゴ 무대", "‹electric torch› why?")
                    .contains("גשר 7")
                    .contains("جسر")
                    .doesNotContain("?? ");
        }
    }

    /** Where each letter stands, from left to right: Hebrew and Arabic are seen the other way round than they are stored. */
    private static String seen(byte[] paper, String letters) throws IOException {
        List<TextPosition> all = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(paper)) {
            new PDFTextStripper() {
                @Override
                protected void processTextPosition(TextPosition text) {
                    if (letters.contains(text.getUnicode())) {
                        all.add(text);
                    }
                }
            }.getText(document);
        }
        return all.stream()
                .sorted(Comparator.comparingDouble(TextPosition::getX))
                .map(TextPosition::getUnicode)
                .collect(Collectors.joining());
    }

    @Test
    void what_runs_from_right_to_left_is_seen_so_and_arabic_letters_join() throws IOException {
        assertThat(seen(paper(List.of(List.of("1", "גשר", ""))), "גשר")).isEqualTo("רשג");
        byte[] arabic = paper(List.of(List.of("1", "جسر", "")));
        assertThat(seen(arabic, "جسر\uFE9F\uFEB4\uFEAE"))
                .as("initial, medial and final forms, the last one leftmost")
                .isEqualTo("\uFEAE\uFEB4\uFE9F");
    }

    private static List<Sheet> several(int rows) {
        List<List<String>> all = new ArrayList<>();
        for (int i = 1; i <= rows; i++) {
            all.add(List.of("n" + i, "Name " + i, "who"));
        }
        List<Sheet> sheets = new ArrayList<>();
        for (String title : List.of("Cover", "Hookup", "Groups")) {
            sheets.add(new Sheet(title, "", COLUMNS, List.of(new Sheet.Section("", "", false, all))));
        }
        return sheets;
    }

    private static final About ABOUT = new About("Tide", 7, "1 December 2026");

    @Test
    void several_sheets_have_their_contents_behind_the_cover_with_pages_and_bookmarks() throws IOException {
        byte[] paper = PaperWriter.write(several(100), ABOUT, PaperOptions.USUAL, Making.UNWATCHED);
        try (PDDocument document = Loader.loadPDF(paper)) {
            int at = 1;
            while (!text(document, at).contains("Contents")) {
                at++;
            }
            String contents = text(document, at);
            for (String title : List.of("Cover", "Hookup", "Groups")) {
                Matcher line = Pattern.compile(title + " (\\d+)").matcher(contents);
                assertThat(line.find()).as(title).isTrue();
                assertThat(text(document, Integer.parseInt(line.group(1)))).startsWith(title);
            }
            assertThat(document.getPage(at - 1).getAnnotations()).hasSize(3);
            assertThat(text(document, at + 1)).startsWith("Hookup");
            List<String> marks = new ArrayList<>();
            document.getDocumentCatalog().getDocumentOutline().children().forEach(i -> marks.add(i.getTitle()));
            assertThat(marks).containsExactly("Cover", "Hookup", "Groups");
            assertThat(text(document, document.getNumberOfPages()))
                    .contains("page " + document.getNumberOfPages() + " of " + document.getNumberOfPages());
        }
    }

    @Test
    void it_is_tagged_every_cell_in_its_row() throws IOException {
        try (PDDocument document = Loader.loadPDF(paper(List.of(List.of("3", "Front", "1 thru 4"))))) {
            assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
            assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en");
            List<String> types = new ArrayList<>();
            collect(document.getDocumentCatalog().getStructureTreeRoot(), types);
            assertThat(types)
                    .containsExactly(
                            "Document",
                            "Sect",
                            "H1",
                            "P",
                            "H3",
                            "P",
                            "Table",
                            "TR",
                            "TH",
                            "TH",
                            "TH",
                            "TR",
                            "TD",
                            "TD",
                            "TD");
        }
    }

    private static void collect(PDStructureNode node, List<String> types) {
        for (Object kid : node.getKids()) {
            if (kid instanceof PDStructureElement element) {
                types.add(element.getStandardStructureType());
                collect(element, types);
            }
        }
    }

    @Test
    void letter_and_across_are_as_large_as_they_are() throws IOException {
        byte[] paper = PaperWriter.write(
                several(3), ABOUT, new PaperOptions(PaperOptions.Size.LETTER, Optional.of(true)), Making.UNWATCHED);
        try (PDDocument document = Loader.loadPDF(paper)) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(792);
            assertThat(document.getPage(0).getMediaBox().getHeight()).isEqualTo(612);
            assertThat(extent(document)[0]).isLessThan(792 - 40);
        }
    }

    @Test
    void who_no_longer_wants_it_stops_it() {
        List<Integer> seen = new ArrayList<>();
        Making stopping = (done, of, words) -> {
            seen.add(done);
            if (seen.size() > 3) {
                throw new CancellationException();
            }
        };
        assertThatThrownBy(() -> PaperWriter.write(several(4_000), ABOUT, PaperOptions.USUAL, stopping))
                .isInstanceOf(CancellationException.class);
        assertThat(seen).hasSize(4).allMatch(d -> d == 0);
    }

    /** Independent readers, where they are installed. */
    @Test
    void other_readers_find_it_valid_and_read_the_same() throws IOException, InterruptedException {
        byte[] paper = PaperWriter.write(several(120), ABOUT, PaperOptions.USUAL, Making.UNWATCHED);
        Path file = Files.createTempFile("paper", ".pdf");
        try {
            Files.write(file, paper);
            run("qpdf", "--check", file.toString())
                    .ifPresent(said -> assertThat(said).contains("No syntax or stream encoding errors found"));
            run("pdftotext", "-layout", file.toString(), "-").ifPresent(text -> {
                for (int i = 1; i <= 120; i++) {
                    assertThat(text).containsPattern("\\bn" + i + "\\s+Name " + i + "\\s+who");
                }
            });
        } finally {
            Files.delete(file);
        }
    }

    /** @return what it said; empty when it is not there */
    private static Optional<String> run(String... command) throws IOException, InterruptedException {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            process.waitFor();
            return Optional.of(said);
        } catch (IOException notInstalled) {
            return Optional.empty();
        }
    }
}
