package app.loculus.core.show;

import app.loculus.core.effect.Effect;
import app.loculus.core.look.Look;
import app.loculus.core.mark.MarkId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Who uses effects, and what effects use. */
public final class EffectUsers {

    private EffectUsers() {}

    /** Effects that go through a palette themselves. */
    public static List<Effect> of(Show show, PaletteId palette) {
        return show.all(PartKinds.EFFECTS).values().stream()
                .filter(e -> e.palettes().contains(palette))
                .toList();
    }

    /** Effects that go around a mark. */
    public static List<Effect> of(Show show, MarkId mark) {
        return show.all(PartKinds.EFFECTS).values().stream()
                .filter(e -> e.marks().contains(mark))
                .toList();
    }

    /** Looks with a value that refers to the effect. */
    public static List<Look> looks(Show show, EffectId effect) {
        return show.all(PartKinds.LOOKS).values().stream()
                .filter(l -> l.moved().contains(effect))
                .toList();
    }

    /** Units that the effect moves by their working values, in their order. */
    public static List<UnitId> units(Show show, EffectId effect) {
        return show.programmer().values().entrySet().stream()
                .filter(e ->
                        e.getValue().moved().stream().anyMatch(u -> u.effect().equals(effect)))
                .map(Map.Entry::getKey)
                .toList();
    }

    public static String names(List<Effect> effects) {
        return effects.stream().map(Effect::toString).collect(Collectors.joining(", "));
    }

    /** Effects that were set and not recorded, and that nothing refers to any more. */
    static List<EffectId> forgotten(Show show) {
        List<EffectId> loose = show.all(PartKinds.EFFECTS).values().stream()
                .filter(e -> e.number().isEmpty())
                .map(Effect::id)
                .toList();
        if (loose.isEmpty()) {
            return loose;
        }
        Set<EffectId> used = new HashSet<>();
        show.programmer().values().values().forEach(v -> add(v, used));
        show.all(PartKinds.LOOKS).values().forEach(l -> l.values().values().forEach(v -> add(v, used)));
        return loose.stream().filter(e -> !used.contains(e)).toList();
    }

    private static void add(UnitValues values, Set<EffectId> used) {
        if (values.moves()) {
            values.moved().forEach(u -> used.add(u.effect()));
        }
    }
}
