package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.selection.GroupId;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Recipes that would contain themselves. */
final class Circles {

    private Circles() {}

    /** Why a group cannot stand in a show, if it leads back to itself. */
    static Optional<String> of(Show show, Group group) {
        return leads(show, group, group.id(), new HashSet<>())
                ? Optional.of("group " + group + " would contain itself")
                : Optional.empty();
    }

    private static boolean leads(Show show, Group from, GroupId to, Set<GroupId> seen) {
        return from.content()
                .choice()
                .groups()
                .anyMatch(g -> g.equals(to)
                        || seen.add(g)
                                && show.group(g)
                                        .filter(next -> leads(show, next, to, seen))
                                        .isPresent());
    }
}
