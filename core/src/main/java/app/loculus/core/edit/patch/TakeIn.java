package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes fixtures in from paperwork, as one edit. Whoever makes it has checked the rows against the show. */
public record TakeIn(List<NewFixture> fixtures) implements ShowEdit {

    /**
     * One fixture as the paper has it.
     *
     * @param shared whether its address may overlap another one
     */
    public record NewFixture(
            int number,
            String name,
            Profiles.Type type,
            Starts starts,
            boolean shared,
            String position,
            String purpose) {

        /** The addresses of every break. */
        public List<PatchedAddress> addresses() {
            return starts.allot(type.mode(), shared);
        }

        Fixture fixture(FixtureId id) {
            return new Fixture(
                    id,
                    number,
                    name,
                    type.profile().id(),
                    type.mode().name(),
                    addresses(),
                    Optional.empty(),
                    position,
                    purpose);
        }
    }

    @Override
    public void on(Draft draft) {
        int id = draft.show().patch().nextId().value();
        List<Fixture> all = new ArrayList<>();
        Problems problems = new Problems();
        Set<Integer> seen = new HashSet<>();
        fixtures.stream()
                .filter(f -> !seen.add(f.number())
                        || draft.show().patch().numbered(f.number()).isPresent())
                .forEach(f -> problems.add(
                        Problem.refusal("patch.twice", "numbers", "Fixture " + f.number() + " would be there twice.")));
        problems.throwIfRefused();
        for (NewFixture fixture : fixtures) {
            draft.take(fixture.type().profile());
            all.add(fixture.fixture(new FixtureId(id++)));
        }
        draft.putAll(all);
        draft.say("Takes in " + Numbers.count(all.size(), "fixture") + " from paperwork");
    }
}
