package app.loculus.core.command;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.selection.Grid;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Sort;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/** Reads patterns. */
final class Patterns extends LineBaseVisitor<Pattern> {
    @Override
    public Pattern visitEvery(LineParser.EveryContext c) {
        return new Pattern.EveryNth(Terms.integer(c.integer(0)), c.FROM() == null ? 1 : Terms.integer(c.integer(1)));
    }

    @Override
    public Pattern visitBlocks(LineParser.BlocksContext c) {
        return new Pattern.Blocks(Terms.integer(c.integer()));
    }

    @Override
    public Pattern visitPart(LineParser.PartContext c) {
        return new Pattern.Part(Terms.integer(c.integer(0)), Terms.integer(c.integer(1)));
    }

    @Override
    public Pattern visitMirror(LineParser.MirrorContext c) {
        return new Pattern.Mirror();
    }

    @Override
    public Pattern visitReverse(LineParser.ReverseContext c) {
        return new Pattern.Reverse();
    }

    @Override
    public Pattern visitShuffle(LineParser.ShuffleContext c) {
        return new Pattern.Shuffle(c.integer() == null ? 1 : Terms.integer(c.integer()));
    }

    @Override
    public Pattern visitOneStep(LineParser.OneStepContext c) {
        return new Pattern.One(Terms.integer(c.integer()));
    }

    @Override
    public Pattern visitCells(LineParser.CellsContext c) {
        return new Pattern.Opened();
    }

    @Override
    public Pattern visitSort(LineParser.SortContext c) {
        return new Sort(
                Sort.By.valueOf(c.sortBy().getText().toUpperCase(Locale.ROOT)),
                c.number().isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Vector3(Terms.number(c.number(0)), Terms.number(c.number(1)), 0)));
    }

    @Override
    public Pattern visitGrid(LineParser.GridContext c) {
        return new Grid(
                Grid.Way.valueOf(c.getStart().getText().toUpperCase(Locale.ROOT)),
                c.number() == null ? Grid.USUALLY_WITHIN : Terms.number(c.number()),
                c.integer() == null ? OptionalInt.empty() : OptionalInt.of(Terms.integer(c.integer())));
    }
}
