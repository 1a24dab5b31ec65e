package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Makes fixtures what they were before one earlier edit, whatever was done to others since. A fixture that has changed
 * again since is refused, because taking that edit back would take back more than it.
 *
 * @param made what the edit changed
 */
public record TakeBackFixtures(Delta made) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Change<FixtureId, Fixture>> changes = made.of(PartKinds.FIXTURES);
        Problems problems = new Problems();
        for (Change<FixtureId, Fixture> c : changes) {
            Optional<Fixture> now = draft.show().find(PartKinds.FIXTURES, c.key());
            if (!now.equals(c.after())) {
                int number = c.after().or(c::before).orElseThrow().number();
                problems.add(Problem.refusal(
                        "patch.since",
                        "numbers",
                        "Fixture " + number + " has changed again since; nothing is taken back.",
                        WayOut.advice("Undo takes back what came after it first.")));
            }
        }
        problems.throwIfRefused();
        List<FixtureId> created = new ArrayList<>();
        List<Fixture> were = new ArrayList<>();
        for (Change<FixtureId, Fixture> c : changes) {
            c.before().ifPresentOrElse(were::add, () -> created.add(c.key()));
        }
        if (!created.isEmpty()) {
            new DeleteFixtures(created).on(draft);
        }
        draft.putAll(were);
        were.forEach(f -> draft.say("Takes back what was done to " + f.number()));
        if (changes.isEmpty()) {
            draft.say("Nothing of it is left to take back");
        }
    }
}
