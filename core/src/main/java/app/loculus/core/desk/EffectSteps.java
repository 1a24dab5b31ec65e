package app.loculus.core.desk;

import app.loculus.core.effect.Effect;
import app.loculus.core.motion.Motions;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Lights;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.EffectUsers;
import app.loculus.core.show.Show;
import app.loculus.core.value.Use;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Who stands where in an effect: those whose working values it moves, else the selected as it would lay itself over
 * them.
 *
 * @param used whether it moves them
 * @param steps in order, each with its offset in rounds
 * @param able how many selected have something that it moves
 * @param held how many are selected
 * @param dark how many of those in the steps give no light, and get none by it
 */
public record EffectSteps(boolean used, List<At> steps, int able, int held, int dark) {

    /**
     * One step.
     *
     * @param use how it is used there: its place, and a rate or a size of its own
     * @param offset in rounds
     */
    public record At(List<UnitId> units, Use use, double offset) {}

    /** @param show as its lights are seen */
    public static EffectSteps of(Show show, Effect effect) {
        Motions motions = show.resolver().motions();
        Selection hand = show.hand().selection();
        Set<UnitId> able = hand.units().stream()
                .filter(u -> moves(show, motions, effect, u))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        List<UnitId> using = EffectUsers.units(show, effect.id());
        List<At> steps = using.isEmpty() ? wouldBe(effect, hand, able) : standing(show, effect, using);
        Lights lights = show.lights();
        long dark = (using.isEmpty() ? able : using)
                .stream()
                        .filter(u ->
                                lights.level(u) <= 0 && !motions.lights(effect, Touching.withCells(show.patch(), u)))
                        .count();
        return new EffectSteps(
                !using.isEmpty(), steps, able.size(), hand.units().size(), (int) dark);
    }

    private static boolean moves(Show show, Motions motions, Effect effect, UnitId unit) {
        return Touching.withCells(show.patch(), unit).stream()
                .anyMatch(u -> !motions.of(effect, u).isEmpty());
    }

    private static List<At> wouldBe(Effect effect, Selection hand, Set<UnitId> able) {
        List<At> steps = new ArrayList<>();
        int n = hand.steps().size();
        for (int i = 0; i < n; i++) {
            Step step = hand.steps().get(i);
            List<UnitId> units = step.units().stream().filter(able::contains).toList();
            if (!units.isEmpty()) {
                Use use = new Use(effect.id(), i, n, Optional.empty(), Optional.empty());
                steps.add(new At(units, use, effect.along().offset(i, n)));
            }
        }
        return steps;
    }

    /** Those that use it alike, at one step, stand together. */
    private static List<At> standing(Show show, Effect effect, List<UnitId> using) {
        Map<Use, List<UnitId>> alike = new LinkedHashMap<>();
        for (UnitId unit : using) {
            Use use = show.programmer().of(unit).moved().stream()
                    .filter(u -> u.effect().equals(effect.id()))
                    .findFirst()
                    .orElseThrow();
            alike.computeIfAbsent(use, s -> new ArrayList<>()).add(unit);
        }
        return alike.entrySet().stream()
                .map(e -> new At(
                        List.copyOf(e.getValue()),
                        e.getKey(),
                        effect.along().offset(e.getKey().step(), e.getKey().steps())))
                .sorted(Comparator.comparingInt(a -> a.use().step()))
                .toList();
    }
}
