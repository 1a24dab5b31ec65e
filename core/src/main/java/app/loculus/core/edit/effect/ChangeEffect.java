package app.loculus.core.edit.effect;

import app.loculus.core.effect.Along;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Figure;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.mark.Mark;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Makes an effect another one; everything that refers to it follows. */
public record ChangeEffect(EffectId effect, List<Change> changes) implements ShowEdit {

    public ChangeEffect {
        changes = List.copyOf(changes);
    }

    @Override
    public void on(Draft draft) {
        Effect before = draft.show().effect(effect).orElseThrow();
        Effect after = before;
        for (Change change : changes) {
            after = change.on(after, draft);
        }
        draft.put(PartKinds.EFFECTS, after);
        draft.say(
                after.equals(before)
                        ? before + " is so already"
                        : "Changes " + after + ": " + EffectWords.of(draft.show(), after));
        EffectTeller.followers(draft, after);
    }

    /** One thing about it. */
    public sealed interface Change {

        Effect on(Effect effect, Draft draft);

        /** What it does instead. */
        record Movements(List<Asked> movements) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return effect.moving(
                        movements.stream().map(m -> m.movement(draft)).toList());
            }
        }

        /** @param rate rounds a minute */
        record Rate(double rate) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return effect.rate(rate);
            }
        }

        record Offset(UnaryOperator<Along> how) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return effect.along(how.apply(effect.along()));
            }
        }

        /** From where to where all its waves go; a size also of its shapes. */
        record Ends(Asked.Ends ends) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(effect, "size", m -> {
                    if (m instanceof Movement.Wave w) {
                        return Optional.of(w.over(span(draft, w)));
                    }
                    return m instanceof Movement.Shape s && ends instanceof Asked.Ends.Size size
                            ? Optional.of(new Movement.Shape(s.figure(), size.size(), s.turned(), s.around()))
                            : Optional.empty();
                });
            }

            /** One that goes between numbers keeps its middle. */
            private Span span(Draft draft, Movement.Wave wave) {
                if (ends instanceof Asked.Ends.Size size && wave.span() instanceof Span.Between between) {
                    return sized(between, size.size());
                }
                Asked.Meant meant = wave.attribute()
                        .flatMap((Attribute a) -> Asked.meant(draft.show(), a))
                        .orElse(null);
                return Asked.Wave.span(ends, meant);
            }
        }

        /** Its waves, or its shapes, of another form: the one that is called so. */
        record Called(String form) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(effect, form, m -> {
                    if (m instanceof Movement.Wave w) {
                        return form(Form.values())
                                .map(f -> new Movement.Wave(w.attribute(), f, w.span(), w.duty(), w.seed()));
                    }
                    return m instanceof Movement.Shape s
                            ? form(Figure.values()).map(f -> new Movement.Shape(f, s.size(), s.turned(), s.around()))
                            : Optional.empty();
                });
            }

            private <T extends Enum<T>> Optional<T> form(T[] all) {
                return java.util.Arrays.stream(all)
                        .filter(f -> f.name().equalsIgnoreCase(form))
                        .findFirst();
            }
        }

        /** @param percent of the round that a square is up */
        record Duty(double percent) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(
                        effect,
                        "duty",
                        m -> m instanceof Movement.Wave w
                                ? Optional.of(new Movement.Wave(
                                        w.attribute(), w.form(), w.span(), Fraction.ofPercent(percent), w.seed()))
                                : Optional.empty());
            }
        }

        record Seed(int seed) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(
                        effect,
                        "seed",
                        m -> m instanceof Movement.Wave w
                                ? Optional.of(new Movement.Wave(w.attribute(), w.form(), w.span(), w.duty(), seed))
                                : Optional.empty());
            }
        }

        /** @param percent of each stay */
        record Crossfade(double percent) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(
                        effect,
                        "crossfade",
                        m -> m instanceof Movement.Run r
                                ? Optional.of(new Movement.Run(r.palettes(), Fraction.ofPercent(percent)))
                                : Optional.empty());
            }
        }

        /** @param degrees from pan towards tilt */
        record Turned(double degrees) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                return each(
                        effect,
                        "turned",
                        m -> m instanceof Movement.Shape s
                                ? Optional.of(new Movement.Shape(s.figure(), s.size(), degrees, s.around()))
                                : Optional.empty());
            }
        }

        /** @param mark by name; absent: around what lies below */
        record Around(Optional<String> mark) implements Change {
            @Override
            public Effect on(Effect effect, Draft draft) {
                Optional<Mark> found = mark.map(m -> app.loculus.core.edit.mark.MarkFinder.named(draft, m));
                return each(
                        effect,
                        "around",
                        m -> m instanceof Movement.Shape s
                                ? Optional.of(new Movement.Shape(s.figure(), s.size(), s.turned(), found.map(Mark::id)))
                                : Optional.empty());
            }
        }

        /** @throws Refusal when nothing it does has that */
        private static Effect each(
                Effect effect, String what, java.util.function.Function<Movement, Optional<? extends Movement>> how) {
            List<Movement> after = new ArrayList<>();
            boolean any = false;
            for (Movement m : effect.movements()) {
                Optional<? extends Movement> other = how.apply(m);
                any |= other.isPresent();
                after.add(other.isPresent() ? other.get() : m);
            }
            if (!any) {
                throw Refusal.of("effect.change", what, "Nothing that " + effect + " does has “" + what + "”.");
            }
            return effect.moving(after);
        }
    }

    /** The middle of what it goes between stays where it is. */
    static Span sized(Span.Between between, double size) {
        if (between.low() instanceof AttributeValue.Level a && between.high() instanceof AttributeValue.Level b) {
            double middle = (a.fraction().value() + b.fraction().value()) / 2;
            return new Span.Between(
                    AttributeValue.level(middle - size / 200), AttributeValue.level(middle + size / 200));
        }
        if (between.low() instanceof AttributeValue.Physical a && between.high() instanceof AttributeValue.Physical b) {
            double middle = (a.value() + b.value()) / 2;
            return new Span.Between(
                    new AttributeValue.Physical(middle - size / 2), new AttributeValue.Physical(middle + size / 2));
        }
        throw Refusal.of("effect.size", "size", "It goes between palettes and has no size of its own.");
    }
}
