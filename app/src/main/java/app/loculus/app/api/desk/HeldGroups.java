package app.loculus.app.api.desk;

import app.loculus.core.patch.UnitId;
import app.loculus.core.show.Show;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** How much of each group is selected. */
final class HeldGroups {

    private HeldGroups() {}

    /** {@code all} or {@code some} by the number of the group; others are not held at all. */
    static Map<Integer, String> of(Show show) {
        Set<UnitId> hand = new HashSet<>(show.hand().selection().units());
        Map<Integer, String> held = new TreeMap<>();
        if (!hand.isEmpty()) {
            show.groups().forEach(g -> {
                List<UnitId> units = show.units(g).units();
                long in = units.stream()
                        .filter(u -> hand.contains(u) || hand.contains(UnitId.whole(u.fixture())))
                        .count();
                if (in > 0) {
                    held.put(g.number(), in == units.size() ? "all" : "some");
                }
            });
        }
        return held;
    }
}
