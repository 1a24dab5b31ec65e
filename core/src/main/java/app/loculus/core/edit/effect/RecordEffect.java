package app.loculus.core.edit.effect;

import app.loculus.core.effect.Effect;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.Use;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Gives what moves the selected a number and a name, or puts it in place of an effect that is there. */
public record RecordEffect(Optional<Integer> number, Optional<String> name, boolean replace) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.EFFECTS);
        Show show = draft.show();
        Effect set = EffectFinder.inHand(draft);
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
        return new AttributeValue.Moved(
                new Use(now, use.step(), use.steps(), use.rate(), use.size(), use.ahead()), value.over());
    }
}
