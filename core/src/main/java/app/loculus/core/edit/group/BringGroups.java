package app.loculus.core.edit.group;

import app.loculus.core.carry.Answering;
import app.loculus.core.carry.Pairing;
import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Takes groups of another show over. A recipe that goes by types, positions, purposes and universes comes as a recipe;
 * what names units or what is the other show's own comes as the units that answer to it here, in its order.
 *
 * @param from the other show
 * @param numbers which of its groups
 * @param byType fixtures answer to each other as the first, second… of a type; else by their numbers
 * @param told which number of the other show which number here answers to, where somebody was asked
 */
public record BringGroups(Show from, List<Integer> numbers, boolean byType, Map<Integer, Integer> told)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.reads(PartKinds.GROUPS);
        draft.reads(PartKinds.FIXTURES);
        List<Group> wanted =
                from.groups().stream().filter(g -> numbers.contains(g.number())).toList();
        if (wanted.isEmpty()) {
            throw Refusal.of("group.bring", "group", "The other show has none of these groups.");
        }
        Pairing answering = Answering.of(from.patch(), draft.show().patch(), byType, told);
        List<String> brought = new ArrayList<>();
        Set<Integer> missing = new LinkedHashSet<>();
        for (Group group : wanted) {
            GroupContent content = content(group, draft.show(), answering, missing);
            boolean free = GroupFinder.numbered(draft.show(), group.number()).isEmpty();
            int number = free ? group.number() : RecordGroup.nextFree(draft.show());
            Group here = new Group(
                    draft.show().next(PartKinds.GROUPS), number, group.name(), content, group.tint(), group.note());
            draft.put(here);
            brought.add(here + " (" + draft.show().units(here).size() + " of "
                    + from.units(group).size() + ")");
        }
        draft.say("Imports " + Numbers.count(brought.size(), "group") + ": " + String.join(", ", brought));
        if (!missing.isEmpty()) {
            draft.warn(Problem.warning(
                    "group.missing",
                    "group",
                    "This show has no fixtures " + Numbers.text(List.copyOf(missing)) + " of “" + from.name() + "”."));
        }
    }

    private GroupContent content(Group group, Show here, Pairing answering, Set<Integer> missing) {
        boolean described = group.content() instanceof GroupContent.Recipe recipe && described(recipe.base());
        return described ? group.content() : new GroupContent.Fixed(answered(group, here, answering, missing));
    }

    /** Whether it says the same in any show. */
    private static boolean described(Choice choice) {
        return choice instanceof Choice.Described
                || !choice.parts().isEmpty()
                        && choice.groups().findAny().isEmpty()
                        && choice.palettes().findAny().isEmpty()
                        && choice.parts().stream().allMatch(BringGroups::described);
    }

    private Selection answered(Group group, Show here, Pairing answering, Set<Integer> missing) {
        List<Step> steps = new ArrayList<>();
        for (Step step : from.units(group).steps()) {
            List<UnitId> units = new ArrayList<>();
            for (UnitId unit : step.units()) {
                Optional<UnitId> there = answering.inPlaceOf(unit.fixture()).stream()
                        .findFirst()
                        .map(id -> new UnitId(id, unit.cell()))
                        .filter(u -> u.cell()
                                <= here.patch()
                                        .modeOf(here.patch().get(u.fixture()))
                                        .cells());
                there.ifPresentOrElse(
                        units::add,
                        () -> missing.add(from.patch().get(unit.fixture()).number()));
            }
            if (!units.isEmpty()) {
                steps.add(new Step(units));
            }
        }
        return new Selection(steps);
    }
}
