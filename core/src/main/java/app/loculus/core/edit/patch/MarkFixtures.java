package app.loculus.core.edit.patch;

import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** Writes down how fixtures answered when they were brought up. */
public record MarkFixtures(List<FixtureId> fixtures, BringUp how) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.putAll(fixtures.stream()
                .map(id -> draft.show().patch().get(id).broughtUp(how))
                .toList());
        draft.say("Marks " + Numbers.count(fixtures.size(), "fixture") + " as "
                + how.answer().word() + (how.note().isEmpty() ? "" : ": " + how.note()));
    }
}
