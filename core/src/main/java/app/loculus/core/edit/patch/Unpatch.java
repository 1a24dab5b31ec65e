package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;

/** Takes every address away; fixtures and all their programming stay. */
public record Unpatch(List<FixtureId> fixtures) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Fixture> patched = fixtures.stream()
                .map(id -> draft.show().patch().get(id))
                .filter(Fixture::patched)
                .toList();
        draft.putAll(patched.stream().map(f -> f.at(List.of())).toList());
        draft.say("Unpatches " + Numbers.count(patched.size(), "fixture") + "; their programming stays");
    }
}
