package app.loculus.core.command;

import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.show.Draft;
import java.util.List;
import java.util.function.Function;

/** How lights are asked for, as it was typed: a base that is looked up when its turn comes, and patterns. */
public record AskedFor(Function<Draft, Choice> base, List<Pattern> patterns) {

    public AskedFor {
        patterns = List.copyOf(patterns);
    }

    /** Both as one. */
    public Choice choice(Draft draft) {
        Choice of = base.apply(draft);
        return patterns.isEmpty() ? of : new Choice.Arranged(of, patterns);
    }
}
