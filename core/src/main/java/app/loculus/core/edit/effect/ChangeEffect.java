package app.loculus.core.edit.effect;

import app.loculus.core.edit.mark.MarkFinder;
import app.loculus.core.effect.Along;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Figure;
import app.loculus.core.effect.Form;
import app.loculus.core.effect.Movement;
import app.loculus.core.effect.Span;
import app.loculus.core.mark.Mark;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Makes an effect another one; everything that refers to it follows.
 *
 * @param part which of the things it does at once is meant, from 1; absent: all that have what is changed
 */
public record ChangeEffect(EffectId effect, Optional<Integer> part, List<Change> changes) implements ShowEdit {

    public ChangeEffect {
        changes = List.copyOf(changes);
    }

    @Override
    public void on(Draft draft) {
        Effect before = draft.show().effect(effect).orElseThrow();
        part.ifPresent(p -> check(before, p));
        Effect after = before;
        for (Change change : changes) {
            after = change.on(after, part, draft);
        }
        draft.put(PartKinds.EFFECTS, after);
        if (Following.elsewhere(before, after)) {
            Following.everywhere(draft, after);
        }
        draft.say(
                after.equals(before)
                        ? before + " is so already"
                        : "Changes " + after + ": " + EffectWords.of(draft.show(), after));
        EffectTeller.followers(draft, after);
    }

    private static void check(Effect effect, int part) {
        int there = effect.movements().size();
        if (part < 1 || part > there) {
            throw Refusal.of(
                    "effect.part",
                    "part",
                    effect + " does " + Numbers.count(there, "thing") + " at once; there is no part " + part + ".");
        }
    }

    /** One thing about it. */
    public sealed interface Change {

        /** @throws Refusal when nothing that is meant has it */
        Effect on(Effect effect, Optional<Integer> part, Draft draft);

        /** Of the effect as a whole. */
        record Whole(UnaryOperator<Effect> how) implements Change {
            @Override
            public Effect on(Effect effect, Optional<Integer> part, Draft draft) {
                return how.apply(effect);
            }
        }

        /** Of the things that it does: those that have it. @param what as the line calls it */
        record Each(String what, How how) implements Change {
            @Override
            public Effect on(Effect effect, Optional<Integer> part, Draft draft) {
                List<Movement> after = new ArrayList<>(effect.movements());
                boolean any = false;
                for (int i = 0; i < after.size(); i++) {
                    if (part.isEmpty() || part.get() == i + 1) {
                        Optional<? extends Movement> other = how.of(after.get(i), draft);
                        any |= other.isPresent();
                        after.set(i, other.isPresent() ? other.get() : after.get(i));
                    }
                }
                if (!any) {
                    throw Refusal.of(
                            "effect.change",
                            what,
                            (part.isPresent()
                                            ? "Part " + part.get() + " of " + effect
                                            : "Nothing that " + effect + " does")
                                    + (part.isPresent() ? " has no “" : " has “") + what + "”.");
                }
                return effect.moving(after);
            }
        }

        /** What it does instead, as a whole or in place of a part; nothing takes a part out. */
        record Instead(List<Asked> movements) implements Change {
            @Override
            public Effect on(Effect effect, Optional<Integer> part, Draft draft) {
                List<Movement> asked =
                        movements.stream().map(m -> m.movement(draft)).toList();
                List<Movement> after = new ArrayList<>(part.isPresent() ? effect.movements() : asked);
                part.ifPresent(p -> {
                    after.remove(p - 1);
                    after.addAll(p - 1, asked);
                });
                if (after.isEmpty()) {
                    throw Refusal.of(
                            "effect.nothing",
                            "part",
                            "It is all that " + effect + " does.",
                            WayOut.advice("Delete the effect, or end it on the selection: effects off."));
                }
                return effect.moving(after);
            }
        }

        /** What it does besides. */
        record Also(List<Asked> movements) implements Change {
            @Override
            public Effect on(Effect effect, Optional<Integer> part, Draft draft) {
                List<Movement> all = new ArrayList<>(effect.movements());
                movements.forEach(m -> all.add(m.movement(draft)));
                return effect.moving(all);
            }
        }

        /** One thing it does otherwise; empty where that has no such thing. */
        interface How {
            Optional<? extends Movement> of(Movement movement, Draft draft);
        }

        /** @param rate cycles a minute */
        static Change rate(double rate) {
            return new Whole(e -> e.rate(rate));
        }

        static Change offset(UnaryOperator<Along> how) {
            return new Whole(e -> e.along(how.apply(e.along())));
        }

        /** From where to where waves go; a size also of shapes. */
        static Change ends(Asked.Ends ends) {
            return new Each("size", (m, draft) -> {
                if (m instanceof Movement.Wave w) {
                    return Optional.of(w.over(span(draft, w, ends)));
                }
                return m instanceof Movement.Shape s && ends instanceof Asked.Ends.Size size
                        ? Optional.of(s.size(size.size()))
                        : Optional.empty();
            });
        }

        /** Waves, or shapes, of another form: the one that is called so. */
        static Change called(String form) {
            return new Each(form, (m, draft) -> {
                if (m instanceof Movement.Wave w) {
                    return named(form, Form.values()).map(w::form);
                }
                return m instanceof Movement.Shape s
                        ? named(form, Figure.values()).map(s::figure)
                        : Optional.empty();
            });
        }

        private static <T extends Enum<T>> Optional<T> named(String word, T[] all) {
            return java.util.Arrays.stream(all)
                    .filter(f -> f.name().equalsIgnoreCase(word))
                    .findFirst();
        }

        /** @param percent of the round that a square is up */
        static Change duty(double percent) {
            return wave("duty", w -> w.duty(Fraction.ofPercent(percent)));
        }

        static Change seed(int seed) {
            return wave("seed", w -> w.seed(seed));
        }

        /** @param percent of each stay */
        static Change crossfade(double percent) {
            return new Each(
                    "crossfade",
                    (m, draft) -> m instanceof Movement.Run r
                            ? Optional.of(new Movement.Run(r.palettes(), Fraction.ofPercent(percent)))
                            : Optional.empty());
        }

        /** @param degrees from pan towards tilt */
        static Change turned(double degrees) {
            return shape("turned", (s, draft) -> s.turned(degrees));
        }

        /** @param mark by name; absent: relative to what lies below */
        static Change around(Optional<String> mark) {
            return shape(
                    "around",
                    (s, draft) ->
                            s.around(mark.map(m -> MarkFinder.named(draft, m)).map(Mark::id)));
        }

        private static Change wave(String what, UnaryOperator<Movement.Wave> how) {
            return new Each(
                    what, (m, draft) -> m instanceof Movement.Wave w ? Optional.of(how.apply(w)) : Optional.empty());
        }

        private static Change shape(
                String what, java.util.function.BiFunction<Movement.Shape, Draft, Movement.Shape> how) {
            return new Each(
                    what,
                    (m, draft) -> m instanceof Movement.Shape s ? Optional.of(how.apply(s, draft)) : Optional.empty());
        }
    }

    /** One that goes between numbers keeps its middle. */
    private static Span span(Draft draft, Movement.Wave wave, Asked.Ends ends) {
        if (ends instanceof Asked.Ends.Size size && wave.span() instanceof Span.Between between) {
            return sized(between, size.size());
        }
        Asked.Meant meant =
                wave.attribute().flatMap(a -> Asked.meant(draft.show(), a)).orElse(null);
        return Asked.Wave.span(ends, meant);
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
