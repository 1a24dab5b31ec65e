package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Which cues behind one look otherwise with it, because they carry on what it sets. */
public final class Carried {

    private Carried() {}

    /** Cues of the same list that carry on something that differs. */
    public static List<Cue> changed(
            Show show, Look look, Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
        Optional<Cue> cue = show.all(PartKinds.CUES).values().stream()
                .filter(c -> c.look().equals(look.id()))
                .findFirst();
        Optional<CueList> list = cue.flatMap(c -> show.list(c.list()));
        if (list.filter(l -> l.join() == CueList.Join.CARRYING_ON).isEmpty()) {
            return List.of();
        }
        Map<UnitId, Set<Attribute>> differing = differing(before, after);
        List<Cue> found = new java.util.ArrayList<>();
        for (Cue next : show.cues(list.get().id())) {
            if (next.number().compareTo(cue.get().number()) > 0) {
                show.look(next.look())
                        .values()
                        .forEach((unit, values) -> Optional.ofNullable(differing.get(unit))
                                .ifPresent(left ->
                                        left.removeAll(values.byAttribute().keySet())));
                differing.values().removeIf(Set::isEmpty);
                if (differing.isEmpty()) {
                    return found;
                }
                found.add(next);
            }
        }
        return found;
    }

    private static Map<UnitId, Set<Attribute>> differing(
            Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
        Map<UnitId, Set<Attribute>> found = new LinkedHashMap<>();
        Set<UnitId> units = new LinkedHashSet<>(before.keySet());
        units.addAll(after.keySet());
        for (UnitId unit : units) {
            UnitValues was = before.getOrDefault(unit, UnitValues.NONE);
            UnitValues is = after.getOrDefault(unit, UnitValues.NONE);
            Set<Attribute> all = new LinkedHashSet<>(was.byAttribute().keySet());
            all.addAll(is.byAttribute().keySet());
            all.removeIf(a -> was.get(a).map(t -> t.value()).equals(is.get(a).map(t -> t.value())));
            if (!all.isEmpty()) {
                found.put(unit, all);
            }
        }
        return found;
    }

    /** {@code 3 cues behind carry it on: 4, 5, 5.5}; empty when none does. */
    static String words(Show show, Look look, Map<UnitId, UnitValues> before, Map<UnitId, UnitValues> after) {
        List<Cue> cues = changed(show, look, before, after);
        if (cues.isEmpty()) {
            return "";
        }
        String numbers = cues.stream()
                .limit(6)
                .map(c -> c.number().toString())
                .collect(java.util.stream.Collectors.joining(", "));
        return Numbers.count(cues.size(), "cue") + " behind " + (cues.size() == 1 ? "carries" : "carry") + " it on: "
                + numbers + (cues.size() > 6 ? " …" : "");
    }
}
