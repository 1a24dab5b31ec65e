package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Who the groups of one show are, worked out when asked. What a change cannot have altered is carried to the show after
 * it, so that one patch edit costs the recipes it concerns and no others.
 */
final class Recipes {

    private final Map<GroupId, Selection> known = new ConcurrentHashMap<>();

    /** @param ground the show that these are the groups of */
    Selection of(Group group, ShowGround ground) {
        Selection found = known.get(group.id());
        if (found == null) {
            found = group.content().choice().in(ground);
            known.put(group.id(), found);
        }
        return found;
    }

    /** Those of the same show under other light: whoever is asked for by light is asked for anew. */
    Recipes underOtherLight(Show show) {
        Recipes next = new Recipes();
        Set<GroupId> byLight = withFollowers(
                show.all(PartKinds.GROUPS).values(),
                show.all(PartKinds.GROUPS).values().stream()
                        .filter(g -> g.content().choice().changesWithLight())
                        .map(Group::id)
                        .collect(Collectors.toCollection(HashSet::new)));
        known.forEach((id, selection) -> {
            if (!byLight.contains(id)) {
                next.known.put(id, selection);
            }
        });
        return next;
    }

    /** Those of the show after a change, as far as they are known to be the same. */
    Recipes after(Show before, Show now, Delta delta) {
        if (known.isEmpty() || delta.kinds().contains(PartKinds.PROFILES)) {
            return new Recipes();
        }
        Recipes next = new Recipes();
        Set<GroupId> stale = stale(before, now, delta);
        known.forEach((id, selection) -> {
            if (!stale.contains(id)) {
                next.known.put(id, selection);
            }
        });
        return next;
    }

    private Set<GroupId> stale(Show before, Show now, Delta delta) {
        Set<GroupId> stale = new HashSet<>();
        delta.of(PartKinds.GROUPS).forEach(c -> stale.add(c.key()));
        List<Change<FixtureId, Fixture>> fixtures = delta.of(PartKinds.FIXTURES);
        Collection<Group> groups = now.all(PartKinds.GROUPS).values();
        groups.stream()
                .filter(g -> concerned(g.content().choice(), fixtures, before, now))
                .forEach(g -> stale.add(g.id()));
        return withFollowers(groups, stale);
    }

    /** With all that are made of them. */
    private static Set<GroupId> withFollowers(Collection<Group> groups, Set<GroupId> some) {
        boolean more = true;
        while (more) {
            more = groups.stream()
                            .filter(g -> g.content().choice().groups().anyMatch(some::contains))
                            .filter(g -> some.add(g.id()))
                            .count()
                    > 0;
        }
        return some;
    }

    private static boolean concerned(Choice choice, List<Change<FixtureId, Fixture>> fixtures, Show before, Show now) {
        return choice.changesWithLight()
                || fixtures.stream()
                        .anyMatch(c -> Stream.of(
                                        c.before().map(f -> choice.concerns(f, before.patch())),
                                        c.after().map(f -> choice.concerns(f, now.patch())))
                                .flatMap(Optional::stream)
                                .anyMatch(b -> b));
    }
}
