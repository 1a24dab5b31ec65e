package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Palette;
import app.loculus.core.selection.GroupId;
import app.loculus.core.value.PaletteId;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Recipes and palettes that would contain themselves. */
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

    /** Why a palette cannot stand in a show, if it would follow itself. */
    static Optional<String> of(Show show, Palette palette) {
        return follows(show, palette, palette.id(), new HashSet<>())
                ? Optional.of(palette + " would follow itself")
                : Optional.empty();
    }

    private static boolean follows(Show show, Palette from, PaletteId to, Set<PaletteId> seen) {
        return from.followed().stream()
                .anyMatch(p -> p.equals(to)
                        || seen.add(p)
                                && show.palette(p)
                                        .filter(next -> follows(show, next, to, seen))
                                        .isPresent());
    }
}
