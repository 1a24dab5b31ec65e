package app.loculus.app.api.desk;

import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.selection.Grid;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Taken;
import app.loculus.core.show.Show;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The rows and columns that a pattern goes by.
 *
 * @param index which of the patterns it is
 * @param within metres, what hangs that near is in one row
 * @param perRow how many make a row where rows are counted off, else 0
 */
record GridView(int index, String way, double within, int perRow, int rows, int columns, List<GridCellView> cells) {

    private static final int MOST_CELLS = 600;

    /** Nothing goes by rows. */
    private static final GridView NONE = new GridView(-1, "", 0, 0, 0, 0, List.of());

    /** @param step the step it is in; 0 when it is left; @param level percent of intensity */
    record GridCellView(String unit, int row, int column, int step, int level) {}

    static GridView of(Show show) {
        Hand hand = show.hand();
        for (int i = hand.patterns().size() - 1; i >= 0; i--) {
            if (hand.patterns().get(i) instanceof Grid grid) {
                return of(show, hand, i, grid);
            }
        }
        return NONE;
    }

    private static GridView of(Show show, Hand hand, int index, Grid grid) {
        List<Pattern> before = hand.patterns().subList(0, index);
        List<Grid.Cell> cells = grid.cells(
                Taken.of(hand.base(), before, show.patch()).selection().steps(), show.patch());
        Map<UnitId, Integer> steps = new HashMap<>();
        for (int i = 0; i < hand.selection().steps().size(); i++) {
            for (UnitId unit : hand.selection().steps().get(i).units()) {
                steps.put(unit, i + 1);
            }
        }
        return new GridView(
                index,
                grid.way().word(),
                grid.within(),
                grid.of().orElse(0),
                cells.stream().mapToInt(c -> c.row() + 1).max().orElse(0),
                cells.stream().mapToInt(c -> c.column() + 1).max().orElse(0),
                cells.stream()
                        .limit(MOST_CELLS)
                        .flatMap(c -> c.step().units().stream().map(u -> cell(show, steps, c, u)))
                        .toList());
    }

    private static GridCellView cell(Show show, Map<UnitId, Integer> steps, Grid.Cell c, UnitId unit) {
        return new GridCellView(show.label(unit), c.row(), c.column(), steps.getOrDefault(unit, 0), (int)
                Math.round(show.lights().level(unit) * 100));
    }
}
