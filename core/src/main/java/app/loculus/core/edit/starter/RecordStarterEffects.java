package app.loculus.core.edit.starter;

import app.loculus.core.effect.Effect;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Records effects that are obvious from the patch. @param names of those wanted; all of them when absent */
public record RecordStarterEffects(Optional<List<String>> names) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.FIXTURES);
        draft.reads(PartKinds.EFFECTS);
        Show show = draft.show();
        Set<String> there =
                show.effects().stream().map(e -> e.name().toLowerCase()).collect(Collectors.toSet());
        List<Effect> wanted = StarterEffects.of(show).stream()
                .filter(e -> names.map(n -> n.stream().anyMatch(e.name()::equalsIgnoreCase))
                        .orElse(true))
                .toList();
        List<Effect> fresh = wanted.stream()
                .filter(e -> !there.contains(e.name().toLowerCase()))
                .toList();
        if (fresh.isEmpty()) {
            throw Refusal.of(
                    "effect.starters",
                    "effect",
                    wanted.isEmpty()
                            ? "Nothing is patched that could do one of these effects."
                            : "All of these effects are there already.",
                    WayOut.advice("Patch fixtures, or choose others."));
        }
        TreeSet<Integer> taken =
                show.effects().stream().map(e -> e.number().get()).collect(Collectors.toCollection(TreeSet::new));
        int id = show.next(PartKinds.EFFECTS).value();
        for (Effect e : fresh) {
            int next = 1;
            while (taken.contains(next)) {
                next++;
            }
            taken.add(next);
            draft.put(PartKinds.EFFECTS, e.as(new app.loculus.core.value.EffectId(id++), Optional.of(next), e.name()));
        }
        draft.say("Records " + Numbers.count(fresh.size(), "effect") + ": "
                + fresh.stream().map(Effect::name).collect(Collectors.joining(", ")));
    }
}
