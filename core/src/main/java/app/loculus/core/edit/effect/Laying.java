package app.loculus.core.edit.effect;

import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.motion.Motions;
import app.loculus.core.motion.Move;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Lights;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Lays an effect over the selection, step by step. */
final class Laying {

    private Laying() {}

    /**
     * @param effect as the show has it already
     * @throws Refusal when nothing selected has what it moves
     */
    static void over(Draft draft, Effect effect, Optional<Double> rate, Optional<Double> size) {
        Selection selection = draft.held();
        Show show = draft.show();
        Motions motions = show.resolver().motions();
        Touching touching = draft.touching();
        Map<String, Integer> without = new LinkedHashMap<>();
        Set<UnitId> moved = new LinkedHashSet<>();
        int steps = selection.steps().size();
        Beats beats = show.scene().beats();
        Map<List<Use>, Use> known = new HashMap<>();
        for (int i = 0; i < steps; i++) {
            Use use = new Use(effect.id(), i, steps, rate, size);
            for (UnitId unit : selection.steps().get(i).units()) {
                boolean any = false;
                for (UnitId home : Touching.withCells(show.patch(), unit)) {
                    Use goesOn = moving(show, home, effect.id())
                            .map(before -> known.computeIfAbsent(
                                    List.of(before, use), b -> beats.goingOn(effect, before, use)))
                            .orElse(use);
                    any |= over(touching, motions.of(effect, home), home, goesOn);
                }
                if (any) {
                    moved.add(unit);
                } else {
                    without.merge(
                            show.patch()
                                    .profileOf(show.patch().get(unit.fixture()))
                                    .name(),
                            1,
                            Integer::sum);
                }
            }
        }
        if (moved.isEmpty()) {
            throw Refusal.of(
                    "effect.nobody",
                    "effect",
                    "Nothing selected has what " + (effect.number().isPresent() ? effect + " moves" : "that moves")
                            + ": " + EffectWords.what(show, effect) + ".",
                    WayOut.advice("Select others, or let something move that they have."));
        }
        draft.setAll(touching.changed());
        draft.say((effect.number().isPresent() ? "Moves by " + effect : EffectWords.of(show, effect)) + " for "
                + Numbers.count(moved.size(), "unit") + " in " + Numbers.count(steps, "step"));
        without.forEach((type, units) -> draft.warn(Problem.warning(
                "effect.without", "effect", units + " × " + type + " has nothing of it and stays as it is.")));
        dark(draft, effect, moved);
    }

    /** How working values are moved by an effect already. */
    private static Optional<Use> moving(Show show, UnitId unit, EffectId effect) {
        return show.programmer().of(unit).byAttribute().values().stream()
                .flatMap(t -> t.value().moved().stream())
                .filter(u -> u.effect().equals(effect))
                .findFirst();
    }

    private static boolean over(Touching touching, Map<Attribute, Move> moves, UnitId unit, Use use) {
        moves.forEach((attribute, move) -> touching.move(unit, attribute, use, move.through(), moves.keySet()));
        return !moves.isEmpty();
    }

    /** An effect carries no light unless it moves it. */
    private static void dark(Draft draft, Effect effect, Set<UnitId> moved) {
        Show show = draft.show();
        Lights now = draft.lights();
        Motions motions = show.resolver().motions();
        long dark = moved.stream()
                .filter(u -> now.level(u) <= 0 && !motions.lights(effect, Touching.withCells(show.patch(), u)))
                .count();
        if (dark > 0) {
            draft.warn(Problem.warning(
                    "effect.dark",
                    "effect",
                    (dark == moved.size() ? "All of them are dark" : dark + " of " + moved.size() + " are dark")
                            + " and stay so: " + effectCalled(effect) + " carries no light.",
                    WayOut.advice("Give them light, for example at 50.")));
        }
    }

    private static String effectCalled(Effect effect) {
        return effect.number().isPresent() ? effect.toString() : "it";
    }
}
