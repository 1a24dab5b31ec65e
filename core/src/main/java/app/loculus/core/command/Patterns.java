package app.loculus.core.command;

import app.loculus.core.selection.Pattern;

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
}
