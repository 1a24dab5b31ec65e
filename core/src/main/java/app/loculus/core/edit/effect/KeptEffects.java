package app.loculus.core.edit.effect;

import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.programmer.Touched;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Change;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.References;
import app.loculus.core.show.Refit;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.List;
import java.util.Optional;

/** Copying, moving, renaming and deleting effects in their niches. */
public sealed interface KeptEffects extends ShowEdit {

    /** The same once more under another number. */
    record Copy(EffectId effect, int to) implements KeptEffects {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            Effect from = show.effect(effect).orElseThrow();
            show.effects().stream()
                    .filter(e -> e.number().get() == to)
                    .findFirst()
                    .ifPresent(there -> {
                        throw Refusal.of(
                                "effect.taken",
                                "number",
                                there + " is there already.",
                                WayOut.advice("Choose a number that is free, for example " + EffectFinder.nextFree(show)
                                        + "."));
                    });
            Effect copy = from.as(show.next(PartKinds.EFFECTS), Optional.of(to), from.name());
            draft.put(PartKinds.EFFECTS, copy);
            draft.say("Copies " + from + ": " + copy);
        }
    }

    /** To another niche; what stands there changes places with it. */
    record Move(EffectId effect, int to) implements KeptEffects {
        @Override
        public void on(Draft draft) {
            Show show = draft.show();
            Effect moved = show.effect(effect).orElseThrow();
            Optional<Effect> there = show.effects().stream()
                    .filter(e -> e.number().get() == to && !e.id().equals(effect))
                    .findFirst();
            Effect now = moved.recorded(to, moved.name());
            draft.put(PartKinds.EFFECTS, now);
            there.ifPresent(
                    e -> draft.put(PartKinds.EFFECTS, e.recorded(moved.number().orElseThrow(), e.name())));
            draft.say("Moves " + moved + ": " + now
                    + there.map(t -> "; " + t + " changes places with it").orElse(""));
        }
    }

    /** Another name. */
    record Rename(EffectId effect, String name) implements KeptEffects {
        @Override
        public void on(Draft draft) {
            Effect renamed = draft.show().effect(effect).orElseThrow().named(name);
            draft.put(PartKinds.EFFECTS, renamed);
            draft.say("Calls it " + renamed);
        }
    }

    /** @param asValues what it moved stands still; without it that is refused where looks use it */
    record Delete(List<EffectId> effects, boolean asValues) implements KeptEffects {
        @Override
        public void on(Draft draft) {
            effects.forEach(e -> delete(draft, draft.show().effect(e).orElseThrow()));
        }

        private void delete(Draft draft, Effect gone) {
            Show show = draft.show();
            String looks = EffectTeller.looks(show, gone);
            if (!looks.isEmpty() && !asValues) {
                throw Refusal.of(
                        "effect.used",
                        "effect",
                        gone + " moves lights in " + looks + ".",
                        WayOut.line(
                                "Delete it and let them stand still",
                                "delete effect " + gone.number().orElseThrow() + " as values"));
            }
            List<Change<?, ?>> left = References.refitted(show, without(show, gone.id()));
            left.forEach(draft::change);
            draft.remove(PartKinds.EFFECTS, gone.id());
            long units = left.stream()
                    .filter(c -> c.of(PartKinds.VALUES).isPresent())
                    .count();
            draft.say("Deletes " + gone
                    + (units == 0 ? "" : "; " + Numbers.count((int) units, "unit") + " in use stand still"));
            if (!looks.isEmpty()) {
                draft.say("Standing still now: " + looks);
            }
            String groups = References.groups(left);
            if (!groups.isEmpty()) {
                draft.say("Made from those that it moves, and now of the units there are: " + groups);
            }
        }
    }

    /** What it moved around stays; where nothing was said, they stand where the round begins. */
    private static Refit without(Show show, EffectId gone) {
        return new Refit() {
            @Override
            public boolean keepsEffect(EffectId other) {
                return !other.equals(gone);
            }

            @Override
            public Selection standing(Choice choice) {
                return show.chosen(choice);
            }

            @Override
            public Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
                if (value.value() instanceof AttributeValue.Moved m
                        && m.use().effect().equals(gone)) {
                    return m.over()
                            .or(() -> begins(show, unit, attribute, m.use()))
                            .map(o -> new Touched(o, value.touched(), value.companion()));
                }
                return Optional.of(value);
            }
        };
    }

    /** Where a unit stands when the round begins; empty for what goes relative to what lies below. */
    private static Optional<AttributeValue> begins(Show show, UnitId unit, Attribute attribute, Use use) {
        Effect effect = show.effect(use.effect()).orElseThrow();
        Mode mode = show.patch().modeOf(show.patch().get(unit.fixture()));
        return Optional.ofNullable(show.resolver().motions().of(effect, unit).get(attribute))
                .filter(m -> !m.relative())
                .flatMap(m -> Optional.ofNullable(m.at(null, Beats.STILL.turns(effect, use, 0), use.size())))
                .flatMap(place -> mode.parameter(unit.cell(), attribute).map(p -> AttributeValue.of(mode, p, place)));
    }
}
