package app.loculus.core.effect;

import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.HashMap;
import java.util.Map;

/**
 * How far everything that moves has turned at one moment. Immutable.
 *
 * @param now in microseconds, by the clock of all
 */
public record Beats(long now, Map<EffectId, Turning> turnings) {

    /** Everything where it begins. */
    public static final Beats STILL = new Beats(0, Map.of());

    private static final double MINUTE = 60_000_000;

    public Beats at(long micros) {
        return new Beats(micros, turnings);
    }

    /** With the rates as effects have them from then on. */
    public static Map<EffectId, Turning> following(
            Map<EffectId, Turning> before, Map<EffectId, Effect> effects, long micros) {
        Map<EffectId, Turning> next = new HashMap<>();
        effects.forEach((id, effect) -> {
            Turning was = before.get(id);
            next.put(
                    id,
                    was == null
                            ? Turning.of(effect.rate())
                            : was.rate() == effect.rate() ? was : was.from(micros, effect.rate()));
        });
        return next.equals(before) ? before : Map.copyOf(next);
    }

    /** Rounds with the unit's offset. @param since when it was started, in microseconds */
    public double turns(Effect effect, Use use, long since) {
        double turned = use.rate().isPresent()
                ? use.rate().get() * (now - since) / MINUTE
                : turned(effect, now) - turned(effect, since);
        return turned + effect.along().offset(use.step(), use.steps()) + (since == 0 ? use.ahead() : 0);
    }

    /**
     * What is set by hand at another rate, going on from where it is now. Without a rate of its own it goes with the
     * effect again.
     *
     * @param before as it is moved until now
     * @param next another rate or size of the same effect
     */
    public Use goingOn(Effect effect, Use before, Use next) {
        if (next.rate().isEmpty()) {
            return next;
        }
        Use there = new Use(next.effect(), before.step(), before.steps(), next.rate(), next.size());
        double ahead = turns(effect, before, 0) - turns(effect, there, 0);
        return new Use(next.effect(), next.step(), next.steps(), next.rate(), next.size(), ahead);
    }

    private double turned(Effect effect, long micros) {
        Turning turning = turnings.get(effect.id());
        return turning == null ? effect.rate() * micros / MINUTE : turning.turned(micros);
    }
}
