package app.loculus.core.edit.carry;

import app.loculus.core.carry.Fate;
import app.loculus.core.carry.FateTaker;
import app.loculus.core.carry.Verdict;
import app.loculus.core.group.Group;
import app.loculus.core.group.GroupContent;
import app.loculus.core.patch.UnitId;
import app.loculus.core.selection.Selection;
import app.loculus.core.selection.Step;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Groups for other fixtures: those that stand for their members, in the same order. A recipe stays one where it gives just
 * these; where it goes by what the lights do it stays whatever it gives.
 */
final class CarriedGroups {

    private final Carry carry;
    private final Map<Group, Boolean> frozen = new LinkedHashMap<>();

    CarriedGroups(Carry carry) {
        this.carry = carry;
    }

    /** @param groups all of a show: they name one another */
    void put(Collection<Group> groups) {
        groups.forEach(g -> carry.draft().put(g.holding(g.content().refitted(c -> c.refitted(this::answering)))));
        groups.stream()
                .filter(g -> g.content().choice().groups().findAny().isEmpty())
                .forEach(this::settle);
        groups.stream()
                .filter(g -> g.content().choice().groups().findAny().isPresent())
                .forEach(this::settle);
    }

    private void settle(Group group) {
        Show show = carry.draft().show();
        Group now = show.group(group.id()).orElseThrow();
        if (!now.content().recipe() || now.content().choice().changesWithLight()) {
            return;
        }
        Selection meant = answering(carry.from().units(group));
        if (!members(show.units(now)).equals(members(meant))) {
            carry.draft().put(now.holding(new GroupContent.Fixed(meant)));
            frozen.put(group, true);
        }
    }

    private static Set<UnitId> members(Selection selection) {
        return new HashSet<>(selection.units());
    }

    /** Each step as many steps as fixtures stand for it; what stands for several stands where the first of them stood. */
    Selection answering(Selection selection) {
        Set<UnitId> seen = new LinkedHashSet<>();
        List<Step> steps = new ArrayList<>();
        for (Step step : selection.steps()) {
            List<List<UnitId>> answers = step.units().stream()
                    .map(u -> carry.pairs().inPlaceOf(u).stream()
                            .filter(seen::add)
                            .toList())
                    .toList();
            int most = answers.stream().mapToInt(List::size).max().orElse(0);
            for (int i = 0; i < most; i++) {
                int at = i;
                steps.add(new Step(answers.stream()
                        .filter(a -> at < a.size())
                        .map(a -> a.get(at))
                        .toList()));
            }
        }
        return new Selection(steps);
    }

    Fate fate(Group group) {
        FateTaker taker = new FateTaker();
        Show show = carry.draft().show();
        Group now = show.group(group.id()).orElseThrow();
        List<UnitId> before = carry.from().units(group).units();
        long without = before.stream()
                .filter(u -> carry.pairs().inPlaceOf(u).isEmpty())
                .count();
        int units = show.units(now).units().size();
        taker.count(Verdict.CARRIES, units);
        if (frozen.containsKey(group)) {
            taker.say(Verdict.ANEW, "its recipe finds others here, so it holds the units that stand for its own");
        }
        if (without > 0) {
            taker.say(Verdict.LOST, without + " of " + before.size() + " have nothing that stands for them");
        }
        boolean byLight = now.content().choice().changesWithLight();
        if (!byLight && units != before.size() - without) {
            taker.say(Verdict.ANEW, units + " units where " + before.size() + " were");
        }
        return taker.fate(Fate.Sort.GROUP, now.toString());
    }
}
