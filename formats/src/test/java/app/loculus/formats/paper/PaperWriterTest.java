package app.loculus.formats.paper;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.paper.Sheet;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;

/** What stands in a PDF, read by another part of the library than wrote it. */
class PaperWriterTest {

    private static final List<Sheet.Column> COLUMNS =
            List.of(new Sheet.Column("No.", 1), new Sheet.Column("Name", 3), new Sheet.Column("Who", 6));

    private static byte[] paper(List<List<String>> rows) {
        Sheet.Section section = new Sheet.Section("Bridge", "hung on Monday", false, rows);
        return PaperWriter.write(new Sheet("Groups", "so many", COLUMNS, List.of(section)), "Tide", "revision 7");
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
                    .contains("revision 7 page 1 of 1");
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
    void letters_of_other_scripts_are_set_and_what_has_no_shape_is_told() throws IOException {
        try (PDDocument document = Loader.loadPDF(
                paper(List.of(List.of("1", "Мост Γέφυρα É", "tab\tand\nline"), List.of("2", "灯🔦", ""))))) {
            assertThat(text(document, 1))
                    .contains("Мост Γέφυρα É", "tab and line", "??")
                    .contains("? stands for a letter that this paper has no shape for.");
        }
        try (PDDocument document = Loader.loadPDF(paper(List.of(List.of("1", "Why?", ""))))) {
            assertThat(text(document, 1)).doesNotContain("no shape");
        }
    }
}
