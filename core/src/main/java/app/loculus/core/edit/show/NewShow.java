package app.loculus.core.edit.show;

import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Layout;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Limits;
import java.util.Optional;
import java.util.stream.IntStream;

/** Shows to begin with. */
public final class NewShow {

    /** The profile that a dimmer is of. */
    private static final String DIMMER = "House Dimmer";

    private NewShow() {}

    /**
     * A show with a dimmer for every slot from 1.1 on, one to one.
     *
     * @param count 0 for none
     * @throws Refusal when the name is none or there are too many
     */
    public static Show ofDimmers(String name, int count, Profiles library) {
        Show empty = Show.empty(Limits.name("show.name", "name", name));
        if (count < 0 || count > Limits.FIXTURES) {
            throw Refusal.of(
                    "show.dimmers", "dimmers", count + " dimmers are too many; at most " + Limits.FIXTURES + ".");
        }
        return count == 0 ? empty : with(empty, count, library);
    }

    private static Show with(Show empty, int count, Profiles library) {
        Outcome outcome = new PatchFixtures(
                        IntStream.rangeClosed(1, count).boxed().toList(),
                        Optional.of(library.type(DIMMER)),
                        Optional.of(new Address(1, 1)),
                        0,
                        false,
                        PatchFixtures.Clashing.REFUSE,
                        new Layout.OneToOne())
                .apply(empty);
        if (outcome.refused()) {
            throw new Refusal(outcome.problems());
        }
        return outcome.show();
    }
}
