package app.loculus.core.profile;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The cells of a mode and what each lies in. Cells are numbered from 1; 0 is the fixture as a whole. Those that hold
 * no others come first, in the order of their places; what holds cells, such as a bar with a dimmer of its own, comes
 * behind them.
 *
 * @param parents for each cell from 1 the cell it lies in, 0 for the fixture itself
 */
public record Cells(List<Integer> parents) {

    public static final Cells NONE = new Cells(List.of());

    public Cells {
        parents = List.copyOf(parents);
    }

    /** Cells side by side, none inside another. */
    public static Cells flat(int count) {
        return new Cells(Collections.nCopies(count, 0));
    }

    public int count() {
        return parents.size();
    }

    /** The cell itself, what it lies in, and so on to the whole fixture. */
    public List<Integer> outwards(int cell) {
        List<Integer> out = new ArrayList<>(List.of(cell));
        while (out.get(out.size() - 1) > 0) {
            out.add(parents.get(out.get(out.size() - 1) - 1));
        }
        return out;
    }

    /** Whether a cell is another or lies in it; all lie in 0. */
    public boolean within(int cell, int outer) {
        return outwards(cell).contains(outer);
    }

    /** Cells that lie directly in this one. */
    public List<Integer> directlyIn(int cell) {
        return IntStream.rangeClosed(1, count())
                .filter(c -> parents.get(c - 1) == cell)
                .boxed()
                .toList();
    }

    /** Whether no other cell lies in this one. */
    public boolean innermost(int cell) {
        return !parents.contains(cell);
    }
}
