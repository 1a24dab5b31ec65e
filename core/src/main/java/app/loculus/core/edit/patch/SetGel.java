package app.loculus.core.edit.patch;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Gel;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;

/** Puts a colour filter in front of fixtures, or takes it out. */
public record SetGel(List<FixtureId> fixtures, Optional<Gel> gel) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        draft.putAll(fixtures.stream()
                .map(id -> draft.show().patch().get(id).gelled(gel))
                .toList());
        draft.say(gel.map(g -> "Gel " + g + " on " + Numbers.count(fixtures.size(), "fixture"))
                .orElseGet(() -> "No gel on " + Numbers.count(fixtures.size(), "fixture")));
    }
}
