package app.loculus.core.edit.group;

import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.Touching;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Names;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Keeps the selection as a group: in its order, or as the recipe by which it was asked for and arranged.
 *
 * @param number the next free one when absent
 * @param recipe whether it follows what it was made from
 * @param touched whether those that are touched and not selected belong to it, behind the selected
 * @param replace whether an existing group of this number takes the new content
 */
public record RecordGroup(
        Optional<Integer> number, Optional<String> name, boolean recipe, boolean touched, boolean replace)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<UnitId> more = more(draft);
        Selection selection = touched && !more.isEmpty() ? with(draft.hand().selection(), more) : draft.held();
        int into = number.orElseGet(() -> nextFree(draft.show()));
        Optional<Group> existing = GroupFinder.numbered(draft.show(), into);
        GroupId id = existing.map(Group::id).orElseGet(() -> draft.show().next(PartKinds.GROUPS));
        existing.filter(g -> !replace).ifPresent(g -> refuse(draft.show(), g));
        String called =
                name.map(Names::checked).or(() -> existing.map(Group::name)).orElse("Group " + into);
        Group made = existing.map(g -> g.named(called).holding(content(draft, selection)))
                .orElseGet(() -> new Group(id, into, called, content(draft, selection)));
        draft.put(made);
        draft.say((existing.isPresent() ? "Replaces" : "Records") + " group " + made + ": "
                + Numbers.count(selection.size(), "unit") + " in "
                + Numbers.count(selection.steps().size(), "step")
                + (recipe ? "; it follows " + draft.show().words(made.content().choice()) : ""));
        existing.filter(g -> !g.name().equals(called))
                .ifPresent(g -> draft.say("Renames it: it was “" + g.name() + "”"));
        if (!recipe && !touched && !more.isEmpty()) {
            draft.warn(Problem.warning(
                    "group.beside",
                    "selection",
                    Numbers.count(more.size(), "more unit") + (more.size() == 1 ? " is" : " are")
                            + " touched and not selected, so left out.",
                    WayOut.line(
                            "Record them too", "record group " + into + " " + Quoted.of(called) + " touched replace")));
        }
    }

    /** Those that are touched and not selected, nor part of what is. */
    private List<UnitId> more(Draft draft) {
        Show show = draft.show();
        if (touched) {
            draft.reads(PartKinds.VALUES);
        }
        Set<UnitId> held = new HashSet<>();
        draft.hand().selection().units().forEach(u -> {
            held.add(UnitId.whole(u.fixture()));
            held.addAll(Touching.withCells(show.patch(), u));
        });
        return show.programmer().values().entrySet().stream()
                .filter(e -> !held.contains(e.getKey()))
                .filter(e -> e.getValue().byAttribute().values().stream().anyMatch(t -> t.touched() && !t.companion()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static Selection with(Selection selection, List<UnitId> more) {
        return Selection.of(
                Stream.concat(selection.units().stream(), more.stream()).toList());
    }

    private GroupContent content(Draft draft, Selection selection) {
        Hand hand = draft.hand();
        return recipe ? new GroupContent.Recipe(hand.asked(), hand.patterns()) : new GroupContent.Fixed(selection);
    }

    /** The lowest number no group has. */
    public static int nextFree(Show show) {
        int next = 1;
        for (Group group : show.groups()) {
            next = group.number() == next ? next + 1 : next;
        }
        return next;
    }

    private void refuse(Show show, Group existing) {
        String called = name.map(n -> " " + Quoted.of(n)).orElse("") + (recipe ? " as recipe" : "");
        int free = nextFree(show);
        throw Refusal.of(
                "group.exists",
                "group",
                "Group " + existing.number() + " is “" + existing.name() + "” with "
                        + Numbers.count(show.units(existing).size(), "unit") + ".",
                WayOut.line(
                        "Replace group " + existing.number()
                                + (name.filter(n -> !n.equals(existing.name())).isPresent()
                                        ? ", renamed from “" + existing.name() + "”"
                                        : ""),
                        "record group " + existing.number() + called + " replace"),
                WayOut.line("Record as " + free, "record group " + free + called));
    }
}
