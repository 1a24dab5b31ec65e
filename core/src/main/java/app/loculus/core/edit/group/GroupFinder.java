package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Show;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Finds groups by number or name. */
public final class GroupFinder {

    private GroupFinder() {}

    static Optional<Group> numbered(Show show, int number) {
        return show.groups().stream().filter(g -> g.number() == number).findFirst();
    }

    /** @throws Refusal naming the groups there are */
    public static Group number(Show show, int number) {
        return numbered(show, number).orElseThrow(() -> unknown(show, "group " + number));
    }

    /** @throws Refusal naming the groups there are */
    public static Group named(Show show, String name) {
        return show.groups().stream()
                .filter(g -> g.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() -> unknown(show, "group “" + name + "”"));
    }

    private static Refusal unknown(Show show, String wanted) {
        List<Group> groups = show.groups();
        String there = groups.isEmpty()
                ? "No group has been recorded yet."
                : "There are "
                        + groups.stream()
                                .limit(8)
                                .map(g -> g.number() + " “" + g.name() + "”")
                                .collect(Collectors.joining(", "))
                        + ".";
        return Refusal.of("group.unknown", "group", "There is no " + wanted + ".", WayOut.advice(there));
    }
}
