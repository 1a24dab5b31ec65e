package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;

/** Writes hanging position, purpose and notes; what is not given stays. */
public record DescribeFixtures(
        List<FixtureId> fixtures, Optional<String> position, Optional<String> purpose, Optional<String> notes)
        implements ShowEdit {

    public DescribeFixtures(List<FixtureId> fixtures, Optional<String> position, Optional<String> purpose) {
        this(fixtures, position, purpose, Optional.empty());
    }

    @Override
    public void on(Draft draft) {
        List<Fixture> described = fixtures.stream()
                .map(id -> draft.show().patch().get(id))
                .map(f -> f.described(position.orElse(f.position()), purpose.orElse(f.purpose()))
                        .noted(notes.orElse(f.notes())))
                .toList();
        draft.putAll(described);
        draft.say(position.map(p -> "Hangs " + Numbers.count(described.size(), "fixture") + " on “" + p + "”")
                .orElseGet(() -> "Describes " + Numbers.count(described.size(), "fixture")));
    }
}
