package app.loculus.formats.paper;

import app.loculus.core.paper.Figure;
import app.loculus.formats.paper.Faces.Style;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;

/**
 * Labels on the sheets they are sold on: on A4 24 of 70 × 37 mm without margins, on Letter 30 of 2⅝ × 1 inch. Nothing else
 * stands there.
 */
final class LabelSheet {

    private static final double INCH = 72;
    private static final double MILLIMETRE = INCH / 25.4;
    private static final double INNER = 8;

    /** How labels lie on a sheet: columns, rows, size, where the first begins from the left and the top, the gap between columns. */
    private record Grid(int columns, int rows, double wide, double high, double left, double top, double gap) {}

    private static final Grid A4 = new Grid(3, 8, 70 * MILLIMETRE, 37 * MILLIMETRE, 0, .5 * MILLIMETRE, 0);
    private static final Grid LETTER = new Grid(3, 10, 2.625 * INCH, INCH, .1875 * INCH, .5 * INCH, .125 * INCH);

    private final Paper paper;
    private final PDRectangle size;
    private final Grid grid;
    private final PDStructureElement part;

    LabelSheet(Paper paper, PaperOptions options, PDStructureElement part) {
        this.paper = paper;
        this.size = options.labels();
        this.grid = options.size() == PaperOptions.Size.A4 ? A4 : LETTER;
        this.part = part;
    }

    /** @return the first page */
    PDPage set(List<Figure.Label> labels, Runnable look) throws IOException {
        int each = grid.columns() * grid.rows();
        PDPage first = null;
        for (int i = 0; i < Math.max(1, labels.size()); i++) {
            if (i % each == 0) {
                look.run();
                PDPage page = paper.page(size);
                first = first == null ? page : first;
            }
            if (i < labels.size()) {
                int on = i % each;
                double x = grid.left() + on % grid.columns() * (grid.wide() + grid.gap());
                double top = size.getHeight() - grid.top() - on / grid.columns() * grid.high();
                label(labels.get(i), x + INNER, top);
            }
        }
        return first;
    }

    private void label(Figure.Label label, double x, double top) throws IOException {
        double wide = grid.wide() - 2 * INNER;
        double large = grid.high() * .34;
        PDStructureElement tag = paper.tags().open("P", part);
        paper.tagged(tag, label.large(), () -> {
            double y = top - INNER - large * .8;
            paper.text(paper.faces().cut(label.large(), Style.HEADING, wide, large), x, y, Style.HEADING, large);
            for (String line : label.lines()) {
                y -= Pages.TEXT + 4;
                paper.text(paper.faces().cut(line, Style.TEXT, wide, Pages.TEXT), x, y, Style.TEXT, Pages.TEXT);
            }
        });
    }
}
