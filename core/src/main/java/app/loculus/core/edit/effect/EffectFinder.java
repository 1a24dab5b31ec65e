package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Touching;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.Use;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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

    /**
     * What moves the selected; of several the one that was set last and has no number yet.
     *
     * @throws Refusal when nothing moves them, or several do that have numbers
     */
    public static Effect inHand(Draft draft) {
        draft.reads(PartKinds.VALUES);
        Show show = draft.show();
        List<Effect> from = ofHand(show);
        if (from.isEmpty()) {
            throw Refusal.of(
                    "effect.none",
                    "effect",
                    "Nothing that is set moves.",
                    WayOut.advice("Set it first, for example sine of dimmer at 20 thru 80 rate 30 offset round."));
        }
        if (from.size() > 1) {
            throw Refusal.of(
                    "effect.several",
                    "effect",
                    "Several effects move them: "
                            + String.join(
                                    "; ",
                                    from.stream()
                                            .map(e -> EffectWords.of(show, e))
                                            .toList())
                            + ".",
                    WayOut.advice("Select those that only one of them moves."));
        }
        return from.get(0);
    }

    /** Whether an effect is the one that is meant where none is named. */
    public static boolean meant(Show show, Effect effect) {
        return ofHand(show).equals(List.of(effect));
    }

    /** What moves the selected, or anybody when nobody is; of several only the latest without a number, if there is one. */
    private static List<Effect> ofHand(Show show) {
        Collection<UnitId> units = show.hand().selection().isEmpty()
                ? show.programmer().values().keySet()
                : show.hand().selection().units().stream()
                        .flatMap(u -> Touching.withCells(show.patch(), u).stream())
                        .toList();
        Set<Effect> found = new LinkedHashSet<>();
        units.forEach(u -> show.programmer().of(u).moved().stream()
                .map(Use::effect)
                .flatMap(e -> show.effect(e).stream())
                .forEach(found::add));
        Optional<Effect> latest =
                found.stream().filter(e -> e.number().isEmpty()).max(Comparator.comparingInt(e -> e.id().value()));
        return latest.map(List::of).orElseGet(() -> List.copyOf(found));
    }
}
