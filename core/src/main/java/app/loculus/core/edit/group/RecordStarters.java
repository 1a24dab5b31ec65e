package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Limits;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;

/**
 * Records obvious groups, as recipes that follow the patch. What is there already is left out.
 *
 * @param names which of them; when absent, everything of each type and at each position
 */
public record RecordStarters(Optional<List<String>> names) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.FIXTURES);
        draft.reads(PartKinds.GROUPS);
        List<Starter> all = Starter.of(draft.show());
        names.orElse(List.of()).stream()
                .filter(n -> all.stream().noneMatch(s -> s.name().equalsIgnoreCase(n)))
                .findFirst()
                .ifPresent(name -> {
                    throw Refusal.of(
                            "group.starters",
                            "group",
                            "There is nothing to make a group “" + name + "” of.",
                            WayOut.advice(
                                    "They are called as the type or the position is, such as “BRIDGE 1” or “BRIDGE 1 LEFT”: Starter groups… lists them."));
                });
        List<Starter> wanted = all.stream().filter(this::wanted).toList();
        List<Starter> fresh = wanted.stream().filter(s -> s.there().isEmpty()).toList();
        if (fresh.isEmpty()) {
            throw Refusal.of(
                    "group.starters",
                    "group",
                    wanted.isEmpty()
                            ? "Nothing is patched to make groups of."
                            : "All of these groups are there already.",
                    WayOut.advice("Patch fixtures, name their positions, or choose other shares."));
        }
        for (Starter starter : fresh) {
            int number = RecordGroup.nextFree(draft.show());
            String name = starter.name().substring(0, Math.min(starter.name().length(), Limits.NAME));
            draft.put(new Group(draft.show().next(PartKinds.GROUPS), number, name, starter.recipe()));
        }
        draft.say("Records " + Numbers.count(fresh.size(), "group")
                + (fresh.size() == 1 ? " that follows the patch" : " that follow the patch")
                + (fresh.size() == wanted.size() ? "" : "; " + (wanted.size() - fresh.size()) + " are there already"));
    }

    private boolean wanted(Starter starter) {
        return names.map(n -> n.stream().anyMatch(starter.name()::equalsIgnoreCase))
                .orElse(starter.share().equals("whole") && !starter.family().equals("purpose"));
    }
}
