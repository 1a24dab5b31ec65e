package app.loculus.core.show;

import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Names universes, switches them, and says where they go. */
public record SetUniverse(List<Integer> universes, UnaryOperator<UniverseSetup> change) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        for (int universe : universes) {
            UniverseSetup setup = change.apply(draft.show().universe(universe));
            refuseTwice(draft.show(), setup);
            draft.put(setup);
            draft.say(setup.toString());
        }
    }

    /** Two universes under one number would overwrite each other at the receiver. */
    private static void refuseTwice(Show show, UniverseSetup setup) {
        show.usedUniverses().stream()
                .filter(u -> u != setup.universe())
                .map(show::universe)
                .filter(other -> other.port() == setup.port())
                .findFirst()
                .ifPresent(other -> {
                    throw Refusal.of(
                            "output.twice",
                            "universe",
                            "Universes " + other.universe() + " and " + setup.universe()
                                    + " would both go out as number " + setup.port() + "; receivers would mix them up.",
                            WayOut.advice("Number " + free(show) + " is free."));
                });
    }

    private static int free(Show show) {
        List<Integer> ports =
                show.usedUniverses().stream().map(u -> show.universe(u).port()).toList();
        return IntStream.iterate(1, n -> n + 1)
                .filter(n -> !ports.contains(n))
                .findFirst()
                .orElseThrow();
    }
}
