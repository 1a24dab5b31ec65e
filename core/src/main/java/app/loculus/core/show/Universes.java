package app.loculus.core.show;

import app.loculus.core.patch.UniverseSetup;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;

/** What a show says about its universes. */
public final class Universes {

    private Universes() {}

    /** Those somebody has said something about, in order. */
    public static List<UniverseSetup> of(Show show) {
        return List.copyOf(show.all(PartKinds.UNIVERSES).values());
    }

    public static UniverseSetup at(Show show, int universe) {
        return show.get(PartKinds.UNIVERSES, universe);
    }

    /** Universes that are patched or set up. */
    public static SortedSet<Integer> used(Show show) {
        SortedSet<Integer> used = new TreeSet<>(show.patch().claims().keySet());
        used.addAll(show.all(PartKinds.UNIVERSES).keySet());
        return used;
    }

    /** A copy of a show of which nothing goes outside until it is switched on. */
    public static Show keptInside(Show show) {
        List<Change<?, ?>> changes = of(show).stream()
                .<Change<?, ?>>map(u ->
                        new Change<>(PartKinds.UNIVERSES, u.universe(), Optional.of(u), Optional.of(u.keptInside())))
                .toList();
        return show.with(new Delta(changes));
    }
}
