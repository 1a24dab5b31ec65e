package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.Touching;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Gives what moves those in hand a number and a name, or puts it in place of an effect that is there. */
public record RecordEffect(Optional<Integer> number, Optional<String> name, boolean replace) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.VALUES);
        draft.reads(PartKinds.EFFECTS);
        Show show = draft.show();
        Effect set = set(show);
        int wanted = number.orElseGet(() -> EffectFinder.nextFree(show));
        Optional<Effect> there =
                show.effects().stream().filter(e -> e.number().get() == wanted).findFirst();
        if (there.isPresent()) {
            replace(draft, set, there.get());
            return;
        }
        if (set.number().isPresent()) {
            throw Refusal.of(
                    "effect.recorded",
                    "effect",
                    "What moves them is " + set + " already.",
                    WayOut.line("Copy it", "copy effect " + set.number().get() + " to " + wanted));
        }
        Effect recorded = set.recorded(wanted, name.orElseGet(() -> EffectWords.name(show, set)));
        draft.put(PartKinds.EFFECTS, recorded);
        draft.say("Records " + recorded + ": " + EffectWords.of(show, recorded));
    }

    private void replace(Draft draft, Effect set, Effect there) {
        if (!replace || set.number().isPresent()) {
            throw Refusal.of(
                    "effect.taken",
                    "effect",
                    there + " is there already" + (set.number().isPresent() ? ", and " + set + " moves them." : "."),
                    WayOut.line(
                            "Put what is set in its place",
                            "record effect " + there.number().get() + " replace"));
        }
        Effect made = there.like(set).named(name.orElse(there.name()));
        draft.put(PartKinds.EFFECTS, made);
        Map<UnitId, UnitValues> values = new LinkedHashMap<>();
        draft.show().programmer().values().forEach((unit, held) -> {
            if (held.moved().stream().anyMatch(u -> u.effect().equals(set.id()))) {
                values.put(unit, by(held, set.id(), made.id()));
            }
        });
        draft.setAll(values);
        draft.say("Changes " + made + ": " + EffectWords.of(draft.show(), made));
        EffectTeller.followers(draft, made);
    }

    private static UnitValues by(UnitValues held, EffectId before, EffectId now) {
        Map<Attribute, Touched> all = new LinkedHashMap<>();
        held.byAttribute().forEach((attribute, t) -> {
            boolean its = t.value() instanceof AttributeValue.Moved m
                    && m.use().effect().equals(before);
            all.put(
                    attribute,
                    its ? new Touched(refer((AttributeValue.Moved) t.value(), now), t.touched(), t.companion()) : t);
        });
        return new UnitValues(all, held.asked());
    }

    private static AttributeValue refer(AttributeValue.Moved value, EffectId now) {
        Use use = value.use();
        return new AttributeValue.Moved(new Use(now, use.step(), use.steps(), use.rate(), use.size()), value.over());
    }

    /** What moves those in hand; of several the one that was set last and has no number yet. */
    private static Effect set(Show show) {
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
        if (found.isEmpty()) {
            throw Refusal.of(
                    "effect.none",
                    "effect",
                    "Nothing that is set moves.",
                    WayOut.advice("Set it first, for example sine of dimmer at 20 thru 80 rate 30 offset round."));
        }
        Optional<Effect> latest =
                found.stream().filter(e -> e.number().isEmpty()).max(Comparator.comparingInt(e -> e.id().value()));
        List<Effect> from = latest.map(List::of).orElseGet(() -> List.copyOf(found));
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
                    WayOut.advice("Take those in hand that only one of them moves."));
        }
        return from.get(0);
    }
}
