package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Gives fixtures other numbers. Identity stays: groups, palettes and addresses follow.
 *
 * @param from number of the first one
 * @param step from one number to the next, not 0
 */
public record Renumber(List<FixtureId> fixtures, int from, int step) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        if (step == 0 && fixtures.size() > 1) {
            throw Refusal.of("number.step", "numbers", "With a step of 0 all would get the same number.");
        }
        Patch patch = draft.show().patch();
        Set<FixtureId> moving = new HashSet<>(fixtures);
        Problems problems = new Problems();
        List<Fixture> renumbered = new ArrayList<>();
        for (FixtureId id : fixtures) {
            int number = from + step * renumbered.size();
            renumbered.add(patch.get(id).numbered(number));
            patch.numbered(number).filter(f -> !moving.contains(f.id())).ifPresent(f -> problems.add(taken(patch, f)));
        }
        problems.throwIfRefused();
        draft.putAll(renumbered);
        draft.say("Renumbers " + Numbers.count(fixtures.size(), "fixture") + " to "
                + Numbers.text(renumbered.stream().map(Fixture::number).toList()));
    }

    private Problem taken(Patch patch, Fixture holder) {
        return Problem.refusal(
                "number.taken",
                "numbers",
                "Number " + holder.number() + " is “" + holder.name() + "” already.",
                WayOut.advice("Numbers from " + freeFrom(patch) + " on are free."));
    }

    /** One above the highest number in use. */
    private static int freeFrom(Patch patch) {
        return patch.fixtures().stream().mapToInt(Fixture::number).max().orElse(0) + 1;
    }
}
