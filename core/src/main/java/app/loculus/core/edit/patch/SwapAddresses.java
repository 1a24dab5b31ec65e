package app.loculus.core.edit.patch;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;

/** Two fixtures change places on the output; numbers, names and programming stay. */
public record SwapAddresses(FixtureId one, FixtureId other) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Patch before = draft.show().patch();
        Fixture first = before.get(one);
        Fixture second = before.get(other);
        if (one.equals(other) || !first.patched() && !second.patched()) {
            throw Refusal.of("patch.swap", "selection", "There is nothing to swap.");
        }
        List<Fixture> swapped = List.of(first.at(second.addresses()), second.at(first.addresses()));
        Patch after = before.changed(before.profiles(), List.of(), swapped);
        Clashes.of(before, after, swapped).throwIfRefused();
        draft.putAll(swapped);
        draft.say("Swaps " + first.number() + " and " + second.number() + ": " + first.number() + " goes to "
                + addresses(second) + ", " + second.number() + " to " + addresses(first));
    }

    private static String addresses(Fixture fixture) {
        return fixture.patched() ? Starts.of(fixture.addresses()).toString() : "no address";
    }
}
