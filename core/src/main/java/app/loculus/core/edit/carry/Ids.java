package app.loculus.core.edit.carry;

import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Palette;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.HashMap;
import java.util.Map;

/** By which ids parts that were carried over go; those that nothing is said of keep theirs. */
final class Ids {

    private final Map<PaletteId, PaletteId> palettes = new HashMap<>();
    private final Map<EffectId, EffectId> effects = new HashMap<>();
    private final Map<MarkId, MarkId> marks = new HashMap<>();
    private final Map<PaletteId, Integer> numbers = new HashMap<>();

    /** It is another one that was there already. */
    void put(PaletteId was, PaletteId is) {
        palettes.put(was, is);
    }

    /** By an id and a number of its own. */
    void put(PaletteId was, PaletteId is, int number) {
        palettes.put(was, is);
        numbers.put(was, number);
    }

    /** The number that a palette goes by. */
    int numberOf(Palette was) {
        return numbers.getOrDefault(was.id(), was.number());
    }

    void put(EffectId was, EffectId is) {
        effects.put(was, is);
    }

    void put(MarkId was, MarkId is) {
        marks.put(was, is);
    }

    PaletteId of(PaletteId was) {
        return palettes.getOrDefault(was, was);
    }

    EffectId of(EffectId was) {
        return effects.getOrDefault(was, was);
    }

    MarkId of(MarkId was) {
        return marks.getOrDefault(was, was);
    }

    Use of(Use use) {
        return new Use(of(use.effect()), use.step(), use.steps(), use.rate(), use.size(), use.ahead());
    }

    AttributeValue of(AttributeValue value) {
        if (value instanceof AttributeValue.Reference r) {
            return new AttributeValue.Reference(of(r.palette()));
        }
        return value instanceof AttributeValue.Moved m
                ? new AttributeValue.Moved(of(m.use()), m.over().map(this::of))
                : value;
    }

    Movement of(Movement movement) {
        if (movement instanceof Movement.Shape shape) {
            return shape.around(shape.around().map(this::of));
        }
        if (movement instanceof Movement.Run run) {
            return new Movement.Run(run.palettes().stream().map(this::of).toList(), run.crossfade());
        }
        Movement.Wave wave = (Movement.Wave) movement;
        return wave.span() instanceof Span.Between b ? wave.over(new Span.Between(of(b.low()), of(b.high()))) : wave;
    }
}
