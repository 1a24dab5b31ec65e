package app.loculus.core.edit.look;

import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Show;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** How two sets of values differ, by type. */
public final class LookDifference {

    /** Counts of one type. */
    private static final class Tally {
        private final Set<UnitId> units = new LinkedHashSet<>();
        private int added;
        private int changed;
        private int gone;

        private String words() {
            StringBuilder words = new StringBuilder();
            part(words, added, "added");
            part(words, changed, "changed");
            part(words, gone, "taken out");
            return words.toString();
        }

        private static void part(StringBuilder words, int count, String what) {
            if (count > 0) {
                words.append(words.isEmpty() ? "" : ", ")
                        .append(count)
                        .append(' ')
                        .append(what);
            }
        }
    }

    private final Map<String, Tally> byType = new TreeMap<>();

    private LookDifference() {}

    public static LookDifference of(Show show, Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
        LookDifference difference = new LookDifference();
        Set<UnitId> units = new LinkedHashSet<>(before.keySet());
        units.addAll(after.keySet());
        for (UnitId unit : units) {
            Map<Attribute, Touched> was =
                    before.getOrDefault(unit, UnitValues.NONE).byAttribute();
            Map<Attribute, Touched> is =
                    after.getOrDefault(unit, UnitValues.NONE).byAttribute();
            if (!was.equals(is)) {
                difference.count(show, unit, was, is);
            }
        }
        return difference;
    }

    private void count(Show show, UnitId unit, Map<Attribute, Touched> was, Map<Attribute, Touched> is) {
        String type = show.patch().profileOf(show.patch().get(unit.fixture())).name();
        Tally tally = byType.computeIfAbsent(type, t -> new Tally());
        Map<Attribute, Touched> all = new LinkedHashMap<>(was);
        all.putAll(is);
        for (Attribute attribute : all.keySet()) {
            Touched before = was.get(attribute);
            Touched after = is.get(attribute);
            if (before == null || after == null || !before.value().equals(after.value())) {
                tally.units.add(unit);
                tally.added += before == null ? 1 : 0;
                tally.gone += after == null ? 1 : 0;
                tally.changed += before != null && after != null ? 1 : 0;
            }
        }
    }

    public boolean nothing() {
        return byType.values().stream().allMatch(t -> t.units.isEmpty());
    }

    /** {@code 12 × Wash: 24 added; 4 × Spot: 8 changed}. */
    public String words() {
        String text = byType.entrySet().stream()
                .filter(e -> !e.getValue().units.isEmpty())
                .map(e -> e.getValue().units.size() + " × " + e.getKey() + ": "
                        + e.getValue().words())
                .collect(Collectors.joining("; "));
        return text.isEmpty() ? "nothing changes" : text;
    }
}
