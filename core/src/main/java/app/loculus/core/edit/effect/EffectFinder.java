package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Finds effects by number or name. */
public final class EffectFinder {

    private static final int MOST_NAMED = 8;

    private EffectFinder() {}

    /** @throws Refusal naming the effects there are */
    public static Effect number(Draft draft, int number) {
        return found(draft, e -> e.number().equals(Optional.of(number)), "effect " + number);
    }

    /** @throws Refusal naming the effects there are */
    public static Effect named(Draft draft, String name) {
        return found(draft, e -> e.name().equalsIgnoreCase(name), "effect “" + name + "”");
    }

    private static Effect found(Draft draft, Predicate<Effect> which, String wanted) {
        Show show = draft.show();
        Effect effect = show.effects().stream()
                .filter(which)
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        "effect.unknown",
                        "effect",
                        "There is no " + wanted + ".",
                        WayOut.advice(
                                show.effects().isEmpty()
                                        ? "None has been recorded yet."
                                        : "There are "
                                                + show.effects().stream()
                                                        .limit(MOST_NAMED)
                                                        .map(e -> e.number().get() + " “" + e.name() + "”")
                                                        .collect(Collectors.joining(", "))
                                                + ".")));
        draft.reads(PartKinds.EFFECTS, effect.id());
        return effect;
    }

    /** The lowest number that no effect has. */
    static int nextFree(Show show) {
        int next = 1;
        for (Effect effect : show.effects()) {
            next = effect.number().get() == next ? next + 1 : next;
        }
        return next;
    }
}
