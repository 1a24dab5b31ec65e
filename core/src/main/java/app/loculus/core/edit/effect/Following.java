package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Movement;
import app.loculus.core.look.Look;
import app.loculus.core.motion.Motions;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.Use;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Lets everybody who uses an effect follow it to what it moves now: to cells that it did not move before, or to the whole
 * of them, and with the modes that this needs. What is set to something else stays so.
 */
final class Following {

    private Following() {}

    /** Whether an effect has come to move other attributes than before. */
    static boolean elsewhere(Effect before, Effect after) {
        return !reach(before).equals(reach(after));
    }

    private static List<Object> reach(Effect effect) {
        return effect.movements().stream()
                .map(m -> m instanceof Movement.Wave w
                        ? List.of(w.attribute(), w.palettes())
                        : List.of(m.getClass(), m.palettes()))
                .collect(Collectors.toList());
    }

    /** In working values and in looks. @param effect as the show has it already */
    static void everywhere(Draft draft, Effect effect) {
        Show show = draft.show();
        Map<UnitId, UnitValues> working = show.programmer().values();
        Map<UnitId, UnitValues> own = more(show, effect, working, draft.touching());
        if (!own.isEmpty()) {
            draft.setAll(own);
        }
        for (Look look : EffectUsers.looks(show, effect.id())) {
            Map<UnitId, UnitValues> all = new TreeMap<>(look.values());
            more(show, effect, look.values(), draft.touching(look.values()))
                    .forEach((unit, values) ->
                            all.put(unit, kept(look.values().getOrDefault(unit, UnitValues.NONE), values)));
            if (!all.equals(look.values())) {
                draft.put(PartKinds.LOOKS, look.holding(all));
            }
        }
    }

    /** Of a look, what moves and its modes: the rest of a mix, as it happens to be on stage now, is none of its business. */
    private static UnitValues kept(UnitValues before, UnitValues after) {
        Map<Attribute, Touched> left = new LinkedHashMap<>(after.byAttribute());
        left.entrySet()
                .removeIf(e -> before.get(e.getKey()).isEmpty()
                        && !e.getValue().companion()
                        && e.getValue().value().moved().isEmpty());
        return new UnitValues(left, after.asked());
    }

    private static Map<UnitId, UnitValues> more(
            Show show, Effect effect, Map<UnitId, UnitValues> values, Touching touching) {
        Motions motions = show.resolver().motions();
        uses(show, effect, values).forEach((home, use) -> {
            UnitValues there = values.getOrDefault(home, UnitValues.NONE);
            var moves = motions.of(effect, home);
            moves.forEach((attribute, move) -> {
                if (there.get(attribute).isEmpty()) {
                    touching.move(home, attribute, use, move.through(), moves.keySet());
                }
            });
        });
        return touching.changed();
    }

    /** Whoever refers to it, the cells within, and the whole of which all cells refer to it alike. */
    private static Map<UnitId, Use> uses(Show show, Effect effect, Map<UnitId, UnitValues> values) {
        Map<UnitId, Use> all = new LinkedHashMap<>();
        Set<FixtureId> fixtures = new LinkedHashSet<>();
        values.forEach((unit, v) -> v.moved().stream()
                .filter(u -> u.effect().equals(effect.id()))
                .findFirst()
                .ifPresent(use -> {
                    fixtures.add(unit.fixture());
                    Touching.withCells(show.patch(), unit).forEach(home -> all.putIfAbsent(home, use));
                }));
        for (FixtureId fixture : fixtures) {
            int cells = show.patch().modeOf(show.patch().get(fixture)).cells();
            Set<Use> alike = IntStream.rangeClosed(1, cells)
                    .mapToObj(cell -> all.get(new UnitId(fixture, cell)))
                    .collect(Collectors.toSet());
            if (alike.size() == 1 && !alike.contains(null)) {
                all.putIfAbsent(UnitId.whole(fixture), alike.iterator().next());
            }
        }
        return all;
    }
}
