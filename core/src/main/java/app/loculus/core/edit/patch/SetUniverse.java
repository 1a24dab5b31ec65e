package app.loculus.core.edit.patch;

import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.show.Universes;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Names universes, switches them, and says where they go. */
public record SetUniverse(List<Integer> universes, UnaryOperator<UniverseSetup> change) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        for (int universe : universes) {
            UniverseSetup setup = change.apply(Universes.at(draft.show(), universe));
            refuseTwice(draft.show(), setup);
            draft.put(PartKinds.UNIVERSES, setup);
            draft.say(setup.toString());
        }
    }

    /** Two universes under one number would overwrite each other at the receiver. */
    private static void refuseTwice(Show show, UniverseSetup setup) {
        Universes.used(show).stream()
                .filter(u -> u != setup.universe())
                .map(u -> Universes.at(show, u))
                .filter(other -> alike(other, setup) && other.port() == setup.port())
                .findFirst()
                .ifPresent(other -> {
                    throw Refusal.of(
                            "output.twice",
                            "universe",
                            "Universes " + other.universe() + " and " + setup.universe() + " would both go out as "
                                    + setup.numberWords() + "; receivers would mix them up.",
                            WayOut.advice("Number " + free(show, setup) + " is free."));
                });
    }

    /** Whether both use the same numbers: those of E1.31, or those of Art-Net. */
    private static boolean alike(UniverseSetup one, UniverseSetup other) {
        return one.route().kind().artNet() == other.route().kind().artNet();
    }

    private static int free(Show show, UniverseSetup setup) {
        List<Integer> ports = Universes.used(show).stream()
                .map(u -> Universes.at(show, u))
                .filter(u -> alike(u, setup))
                .map(UniverseSetup::port)
                .toList();
        return IntStream.iterate(1, n -> n + 1)
                .filter(n -> !ports.contains(n))
                .findFirst()
                .orElseThrow();
    }
}
