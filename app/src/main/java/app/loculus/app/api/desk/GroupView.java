package app.loculus.app.api.desk;

import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A group.
 *
 * @param units labels in order
 * @param steps how many steps they make
 * @param held whether all, some or none of them are in hand
 */
record GroupView(int number, String name, List<String> units, int steps, String held) {

    static List<GroupView> all(Show show) {
        Set<UnitId> hand = new HashSet<>(show.hand().selection().units());
        return show.groups().stream()
                .map(g -> {
                    List<UnitId> units = g.content().selection().units();
                    return new GroupView(
                            g.number(),
                            g.name(),
                            units.stream().map(show::label).toList(),
                            g.content().selection().steps().size(),
                            held(units, hand));
                })
                .toList();
    }

    private static String held(List<UnitId> units, Set<UnitId> hand) {
        long in = units.stream().filter(hand::contains).count();
        return in == 0 ? "none" : in == units.size() ? "all" : "some";
    }
}
