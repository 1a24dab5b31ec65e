package app.loculus.core.selection;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/**
 * Steps that run over the rows and columns in which units hang, or are counted off.
 *
 * @param way what becomes one step
 * @param within how far apart, in metres, two may hang and be in one row or column
 * @param of how many make a row when it is counted off in order; absent: by place
 */
public record Grid(Way way, double within, OptionalInt of) implements Pattern {

    /** Metres; trusses hang straighter than this, and rows further apart. */
    public static final double USUALLY_WITHIN = 0.5;

    /** What becomes one step. */
    public enum Way {
        /** each row, those next to the audience first: values run upstage */
        ROWS,
        /** each column, from the audience's left: values run across */
        COLUMNS,
        /** what lies on one slant: values run from the near left corner to the far right one */
        DIAGONAL,
        /** what is as far from the middle, in rows or columns: values run outward */
        RINGS;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Grid {
        of = of == null ? OptionalInt.empty() : of;
        if (!(within >= 0 && within <= 100)) {
            throw Refusal.of("selection.pattern", "pattern", "Rows are found within 0 to 100 metres.");
        }
        if (of.isPresent() && of.getAsInt() < 1) {
            throw Refusal.of("selection.pattern", "pattern", "A row has at least one unit.");
        }
    }

    public static Grid by(Way way) {
        return new Grid(way, USUALLY_WITHIN, OptionalInt.empty());
    }

    /** Rows of so many, in the order of what is selected. */
    public static Grid of(Way way, int perRow) {
        return new Grid(way, USUALLY_WITHIN, OptionalInt.of(perRow));
    }

    /** A step and where it stands. */
    public record Cell(Step step, int row, int column) {}

    /** Every step in its row and column, both from 0, in reading order; what hangs nowhere makes a last row. */
    public List<Cell> cells(List<Step> steps, Patch patch) {
        return of.isPresent() ? counted(steps, of.getAsInt()) : hung(steps, patch);
    }

    private static List<Cell> counted(List<Step> steps, int perRow) {
        return IntStream.range(0, steps.size())
                .mapToObj(i -> new Cell(steps.get(i), i / perRow, i % perRow))
                .toList();
    }

    private record Placed(Step step, Vector3 at) {}

    private List<Cell> hung(List<Step> steps, Patch patch) {
        List<Placed> placed = new ArrayList<>();
        List<Step> nowhere = new ArrayList<>();
        steps.forEach(s ->
                Places.of(s, patch).ifPresentOrElse(p -> placed.add(new Placed(s, p)), () -> nowhere.add(s)));
        Map<Step, Integer> rows = clusters(placed, Vector3::y);
        Map<Step, Integer> columns = clusters(placed, Vector3::x);
        List<Cell> cells = new ArrayList<>();
        placed.forEach(p -> cells.add(new Cell(p.step(), rows.get(p.step()), columns.get(p.step()))));
        int last = rows.values().stream().mapToInt(r -> r + 1).max().orElse(0);
        for (int i = 0; i < nowhere.size(); i++) {
            cells.add(new Cell(nowhere.get(i), last, i));
        }
        cells.sort(Comparator.comparingInt(Cell::row).thenComparingInt(Cell::column));
        return cells;
    }

    /** Neighbours no further apart than that are in one, however long it gets. */
    private Map<Step, Integer> clusters(List<Placed> placed, ToDoubleFunction<Vector3> part) {
        List<Placed> sorted = new ArrayList<>(placed);
        sorted.sort(Comparator.comparingDouble(p -> part.applyAsDouble(p.at())));
        Map<Step, Integer> found = new java.util.HashMap<>();
        int cluster = 0;
        for (int i = 0; i < sorted.size(); i++) {
            double here = part.applyAsDouble(sorted.get(i).at());
            if (i > 0 && here - part.applyAsDouble(sorted.get(i - 1).at()) > within + 1e-9) {
                cluster++;
            }
            found.put(sorted.get(i).step(), cluster);
        }
        return found;
    }

    @Override
    public List<Step> take(List<Step> steps, Patch patch) {
        List<Cell> cells = cells(steps, patch);
        int rows = cells.stream().mapToInt(Cell::row).max().orElse(0);
        int columns = cells.stream().mapToInt(Cell::column).max().orElse(0);
        Map<Integer, List<Step>> together = new TreeMap<>();
        cells.forEach(c -> together.computeIfAbsent(key(c, rows, columns), k -> new ArrayList<>())
                .add(c.step()));
        return together.values().stream().map(s -> Pattern.joined(s.stream())).toList();
    }

    private int key(Cell c, int lastRow, int lastColumn) {
        return switch (way) {
            case ROWS -> c.row();
            case COLUMNS -> c.column();
            case DIAGONAL -> c.row() + c.column();
            case RINGS -> Math.max(Math.abs(2 * c.row() - lastRow), Math.abs(2 * c.column() - lastColumn));
        };
    }

    @Override
    public String words() {
        return way.word()
                + (of.isPresent() ? " of " + of.getAsInt() : "")
                + (within == USUALLY_WITHIN || of.isPresent() ? "" : " within " + Decimal.text(within, 3));
    }
}
