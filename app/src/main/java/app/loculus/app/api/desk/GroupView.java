package app.loculus.app.api.desk;

import app.loculus.core.group.Group;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.function.Predicate;

/**
 * A group, as far as the selection does not matter.
 *
 * @param units labels in order
 * @param steps how many steps they make
 * @param recipe what it follows, as the line writes it; empty for a fixed order
 * @param byLight whether what the lights do decides who is in it
 * @param tint what its niche is marked with
 * @param unpatched how many of its fixtures have no address
 * @param dead how many did not answer when they were brought up
 * @param usedBy groups that are made from it
 */
record GroupView(
        int id,
        int number,
        String name,
        List<String> units,
        int steps,
        String recipe,
        boolean byLight,
        String tint,
        String note,
        int unpatched,
        int dead,
        List<String> usedBy) {

    static List<GroupView> all(Show show) {
        List<Group> groups = show.groups();
        return groups.stream().map(g -> of(show, groups, g)).toList();
    }

    private static GroupView of(Show show, List<Group> groups, Group g) {
        List<UnitId> units = show.units(g).units();
        return new GroupView(
                g.id().value(),
                g.number(),
                g.name(),
                units.stream().map(show::label).toList(),
                show.units(g).steps().size(),
                g.content().recipe() ? show.words(g.content().choice()) : "",
                g.content().choice().changesWithLight(),
                g.tint().word(),
                g.note(),
                count(show, units, f -> !f.patched()),
                count(show, units, f -> f.bringUp().answer() == BringUp.Answer.DEAD),
                groups.stream()
                        .filter(other -> other.content().choice().groups().anyMatch(g.id()::equals))
                        .map(Group::toString)
                        .toList());
    }

    private static int count(Show show, List<UnitId> units, Predicate<Fixture> what) {
        return (int) units.stream()
                .map(UnitId::fixture)
                .distinct()
                .map(show.patch()::get)
                .filter(what)
                .count();
    }
}
