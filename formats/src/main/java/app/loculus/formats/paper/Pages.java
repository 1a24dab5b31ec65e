package app.loculus.formats.paper;

import app.loculus.core.paper.Figure;
import app.loculus.core.paper.Sheet;
import app.loculus.formats.paper.Faces.Style;
import java.awt.Color;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;

/** Sets one sheet on pages, from the top down. */
final class Pages {

    static final double SIDE = 42;
    static final double FOOT = 54;
    private static final double TOP = 50;
    private static final double GAP = 8;

    private static final double TITLE = 19;
    private static final double HEADING = 13;
    static final double TEXT = 9;
    private static final double LEADING = 12;
    private static final double ROW_GAP = 3.2;
    private static final double SWATCH = 9;

    /** Lines of a row that must fit under a heading, or it begins the next page. */
    private static final int KEPT_LINES = 2;

    /** Rows between two looks at whether anybody still wants it. */
    private static final int OFTEN = 200;

    private static final Pattern COLOURS = Pattern.compile("#[0-9a-fA-F]{6}( #[0-9a-fA-F]{6})*");

    private final Paper paper;
    private final Sheet sheet;
    private final PaperOptions options;
    private final PDRectangle size;
    private final double wide;
    private final double top;
    private final PDStructureElement part;
    private final List<Double> widths = new ArrayList<>();
    private final Runnable look;
    private PDStructureElement table;
    private double y;
    private PDPage first;
    private int rows;

    /** @param look called again and again; may throw to stop it */
    Pages(Paper paper, Sheet sheet, PaperOptions options, Runnable look) {
        this.paper = paper;
        this.sheet = sheet;
        this.options = options;
        this.look = look;
        this.size = options.page(sheet);
        this.wide = size.getWidth() - 2 * SIDE;
        this.top = size.getHeight() - TOP;
        this.part = paper.tags().open("Sect", paper.tags().whole());
        double whole = sheet.columns().stream().mapToDouble(Sheet.Column::share).sum();
        sheet.columns().forEach(c -> widths.add(c.share() / whole * wide));
    }

    /** @return the first of its pages */
    PDPage set() throws IOException {
        if (sheet.sections().stream()
                .anyMatch(
                        s -> s.figure().filter(Figure.Labels.class::isInstance).isPresent())) {
            return labels();
        }
        begin();
        boolean fresh = true;
        for (Sheet.Section section : sheet.sections()) {
            if (section.ownPage() && !fresh) {
                table = null;
                begin();
            }
            heading(section);
            if (section.figure().isPresent()) {
                figure(section.figure().get());
            }
            if (!section.rows().isEmpty()) {
                table = null;
                heads();
            }
            for (List<String> row : section.rows()) {
                row(row);
                if (++rows % OFTEN == 0) {
                    look.run();
                }
            }
            fresh = false;
        }
        return first;
    }

    private PDPage labels() throws IOException {
        for (Sheet.Section section : sheet.sections()) {
            if (section.figure().orElse(null) instanceof Figure.Labels labels) {
                PDPage page = new LabelSheet(paper, options, part).set(labels.all(), look);
                first = first == null ? page : first;
            }
        }
        return first;
    }

    private void begin() throws IOException {
        look.run();
        PDPage page = paper.page(size);
        boolean start = first == null;
        first = start ? page : first;
        y = top;
        if (start) {
            String title = paper.faces().cut(sheet.title(), Style.HEADING, wide * .62, TITLE);
            paper.tagged(
                    paper.tags().open("H1", part),
                    sheet.title(),
                    () -> paper.text(title, SIDE, y, Style.HEADING, TITLE));
        } else {
            paper.untagged(() -> paper.text(
                    paper.faces().cut(sheet.title(), Style.HEADING, wide * .62, TITLE - 4),
                    SIDE,
                    y,
                    Style.HEADING,
                    TITLE - 4));
        }
        paper.untagged(() -> {
            right(paper.about().show() + " · revision " + paper.about().revision(), y + 6);
            right(paper.about().on(), y - 6);
        });
        y -= 12;
        paper.untagged(() -> paper.rule(SIDE, y, SIDE + wide, 1.1));
        if (start && !sheet.words().isEmpty()) {
            for (String line : paper.faces().lines(sheet.words(), Style.TEXT, wide, TEXT)) {
                y -= LEADING + 2;
                paper.tagged(paper.tags().open("P", part), line, () -> paper.text(line, SIDE, y, Style.TEXT, TEXT));
            }
        }
        y -= 6;
        if (!start && table != null) {
            heads();
        }
    }

    private void right(String text, double at) throws IOException {
        String shown = paper.faces().cut(text, Style.TEXT, wide * .36, TEXT);
        paper.text(shown, SIDE + wide - paper.faces().width(shown, Style.TEXT, TEXT), at, Style.TEXT, TEXT);
    }

    private void heading(Sheet.Section section) throws IOException {
        if (section.heading().isEmpty()) {
            return;
        }
        double high = section.chief() ? HEADING + 3 : HEADING;
        double figure = section.figure().map(f -> Figures.height(f, wide)).orElse(0.0);
        table = null;
        room(Math.min(top - FOOT - 60, high + LEADING * (3 + KEPT_LINES) + figure));
        y -= high + (section.chief() ? 14 : 8);
        String heading = section.heading();
        List<String> lines = paper.faces().lines(heading, Style.HEADING, wide, high);
        for (String line : lines) {
            paper.tagged(
                    paper.tags().open(section.chief() ? "H2" : "H3", part),
                    line,
                    () -> paper.text(line, SIDE, y, Style.HEADING, high));
            y -= line.equals(lines.get(lines.size() - 1)) ? 0 : high + 2;
        }
        if (!section.words().isEmpty()) {
            double used = paper.faces().width(lines.get(lines.size() - 1), Style.HEADING, high) + 8;
            double left = wide - used;
            boolean beside = paper.faces().width(section.words(), Style.TEXT, TEXT) <= left;
            List<String> words =
                    beside ? List.of(section.words()) : paper.faces().lines(section.words(), Style.TEXT, wide, TEXT);
            for (String line : words) {
                y -= beside ? 0 : LEADING;
                paper.tagged(
                        paper.tags().open("P", part),
                        line,
                        () -> paper.text(line, beside ? SIDE + used : SIDE, y, Style.TEXT, TEXT));
            }
        }
        y -= 5;
    }

    private void figure(Figure figure) throws IOException {
        double high = Figures.height(figure, wide);
        room(high + 6);
        y -= high;
        PDStructureElement element = paper.tags().open("Figure", part);
        element.setAlternateDescription(Figures.words(figure));
        paper.tagged(element, "", () -> new Figures(paper).draw(figure, SIDE, y, wide, high));
        y -= 8;
    }

    private void heads() throws IOException {
        if (sheet.columns().stream().allMatch(c -> c.head().isEmpty())) {
            return;
        }
        room(LEADING * (1 + KEPT_LINES));
        y -= LEADING;
        boolean start = table == null;
        table = start ? paper.tags().open("Table", part) : table;
        if (start) {
            PDStructureElement line = paper.tags().open("TR", table);
            double x = SIDE;
            for (int i = 0; i < widths.size(); i++) {
                head(sheet.columns().get(i).head(), x, widths.get(i), Optional.of(line));
                x += widths.get(i);
            }
        } else {
            double x = SIDE;
            for (int i = 0; i < widths.size(); i++) {
                head(sheet.columns().get(i).head(), x, widths.get(i), Optional.empty());
                x += widths.get(i);
            }
        }
        y -= ROW_GAP;
        paper.untagged(() -> paper.rule(SIDE, y, SIDE + wide, .8));
    }

    private void head(String head, double x, double width, Optional<PDStructureElement> line) throws IOException {
        String shown = paper.faces().cut(head, Style.BOLD, width - 2, TEXT - 1);
        Paper.Drawing draw = () -> paper.text(shown, x, y, Style.BOLD, TEXT - 1);
        if (line.isPresent()) {
            paper.tagged(paper.tags().open("TH", line.get()), head, draw);
        } else {
            paper.untagged(draw);
        }
    }

    /** A row stays together unless it is longer than a page. */
    private void row(List<String> cells) throws IOException {
        List<List<String>> lines = new ArrayList<>();
        int high = 1;
        for (int i = 0; i < cells.size(); i++) {
            boolean drawn = sheet.columns().get(i).cells() == Sheet.Cells.TICK
                    || sheet.columns().get(i).cells() == Sheet.Cells.FACE
                            && COLOURS.matcher(cells.get(i)).matches();
            List<String> cell =
                    drawn ? List.of("") : paper.faces().lines(cells.get(i), Style.TEXT, widths.get(i) - GAP, TEXT);
            lines.add(cell);
            high = Math.max(high, cell.size());
        }
        double whole = high * LEADING + ROW_GAP;
        double page = top - FOOT - 70;
        room(whole <= page ? whole : KEPT_LINES * LEADING);
        table = table == null ? paper.tags().open("Table", part) : table;
        PDStructureElement line = paper.tags().open("TR", table);
        List<PDStructureElement> tags = new ArrayList<>();
        for (String cell : cells) {
            PDStructureElement tag = paper.tags().open("TD", line);
            if (Faces.turned(cell)) {
                tag.setActualText(cell);
            }
            tags.add(tag);
        }
        for (int l = 0; l < high; l++) {
            room(LEADING);
            y -= LEADING;
            double x = SIDE;
            for (int i = 0; i < lines.size(); i++) {
                if (l == 0) {
                    drawn(sheet.columns().get(i).cells(), cells.get(i), x);
                }
                if (l < lines.get(i).size() && !lines.get(i).get(l).isEmpty()) {
                    String text = lines.get(i).get(l);
                    double at = x;
                    paper.tagged(tags.get(i), "", () -> paper.text(text, at, y, Style.TEXT, TEXT));
                }
                x += widths.get(i);
            }
        }
        y -= ROW_GAP;
        paper.untagged(() -> paper.rule(SIDE, y, SIDE + wide, .3));
    }

    private void drawn(Sheet.Cells cells, String cell, double x) throws IOException {
        if (cells == Sheet.Cells.TICK) {
            paper.untagged(() -> paper.box(x + 1, y - 1.5, SWATCH, SWATCH, Optional.empty()));
        } else if (cells == Sheet.Cells.FACE && COLOURS.matcher(cell).matches()) {
            double at = x;
            for (String colour : cell.split(" ")) {
                double here = at;
                paper.untagged(
                        () -> paper.box(here + 1, y - 1.5, SWATCH * 1.6, SWATCH, Optional.of(Color.decode(colour))));
                at += SWATCH * 1.8;
            }
        }
    }

    private void room(double high) throws IOException {
        if (y - high < FOOT) {
            begin();
        }
    }
}
