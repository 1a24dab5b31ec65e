package app.loculus.core.effect;

import app.loculus.core.mark.MarkId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.unit.Limits;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Something that moves attributes of whoever refers to it.
 *
 * @param number absent for one that was set and not recorded: it is there as long as something refers to it
 * @param name empty for one that has no number
 * @param movements at once, in one round
 * @param rate cycles a minute
 * @param along where each step of a selection stands in the round
 */
public record Effect(
        EffectId id, Optional<Integer> number, String name, List<Movement> movements, double rate, Along along) {

    /** As groups and palettes are numbered. */
    public static final int LAST_NUMBER = 9999;

    private static final int MOST_MOVEMENTS = 12;

    public Effect {
        movements = List.copyOf(movements);
        if (number.isPresent()) {
            name = Limits.name("effect.name", "name", name);
            if (number.get() < 1 || number.get() > LAST_NUMBER) {
                throw Refusal.of("effect.number", "number", "Effect number " + number.get() + " is outside 1 to 9999.");
            }
        }
        if (movements.size() > MOST_MOVEMENTS) {
            throw Refusal.of("effect.movements", "movements", "An effect moves at most 12 things at once.");
        }
        Use.checkRate(rate);
    }

    public Effect named(String other) {
        return new Effect(id, number, other, movements, rate, along);
    }

    public Effect recorded(int other, String called) {
        return new Effect(id, Optional.of(other), called, movements, rate, along);
    }

    /** The same once more. */
    public Effect as(EffectId other, Optional<Integer> itsNumber, String called) {
        return new Effect(other, itsNumber, called, movements, rate, along);
    }

    public Effect moving(List<Movement> others) {
        return new Effect(id, number, name, others, rate, along);
    }

    public Effect rate(double other) {
        return new Effect(id, number, name, movements, other, along);
    }

    public Effect along(Along other) {
        return new Effect(id, number, name, movements, rate, other);
    }

    /** What another one does, under this one's number and name. */
    public Effect like(Effect other) {
        return new Effect(id, number, name, other.movements, other.rate, other.along);
    }

    /** The palettes it goes through. */
    public Set<PaletteId> palettes() {
        Set<PaletteId> all = new LinkedHashSet<>();
        movements.forEach(m -> all.addAll(m.palettes()));
        return all;
    }

    /** The marks it goes around. */
    public Set<MarkId> marks() {
        Set<MarkId> all = new LinkedHashSet<>();
        movements.forEach(m -> m.mark().ifPresent(all::add));
        return all;
    }

    /** Whether it has a size in numbers that could be another one where it is used. */
    public boolean sized() {
        return movements.stream().anyMatch(Movement::sized);
    }

    @Override
    public String toString() {
        return number.map(n -> "effect " + n + " “" + name + "”").orElse("an effect");
    }
}
