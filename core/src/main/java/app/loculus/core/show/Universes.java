package app.loculus.core.show;

import app.loculus.core.patch.UniverseSetup;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Collectors;

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

    /**
     * A show as it may become of another one: who sends outside was decided for the show as it is, so that a universe goes
     * out only where it does so now, and to the same place.
     *
     * @param said takes a sentence when some are switched off for that
     */
    public static Show asNow(Show target, Show now, Consumer<String> said) {
        List<UniverseSetup> off = of(target).stream()
                .filter(u -> u.on() && !u.keptInside().on())
                .filter(u -> {
                    UniverseSetup here = at(now, u.universe());
                    return !here.on() || !here.route().equals(u.route()) || here.port() != u.port();
                })
                .toList();
        if (off.isEmpty()) {
            return target;
        }
        said.accept((off.size() == 1 ? "Universe " : "Universes ")
                + off.stream().map(u -> String.valueOf(u.universe())).collect(Collectors.joining(", "))
                + (off.size() == 1 ? " is" : " are")
                + " off: where that goes was not switched on here. Switch it on to send.");
        return target.with(new Delta(off.stream()
                .<Change<?, ?>>map(u ->
                        new Change<>(PartKinds.UNIVERSES, u.universe(), Optional.of(u), Optional.of(u.switched(false))))
                .toList()));
    }
}
