package app.loculus.core.command;

import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import java.util.function.Supplier;

/** Finds the type that is meant, among those the show holds and those in the library. */
record TypeWords(Supplier<Profiles> library) {

    Profiles.Type type(Draft draft, LineParser.ProfileContext c) {
        return draft.show().profiles().orElse(library.get()).type(Terms.text(c.text()));
    }

    PatchFixtures.Clashing clashing(LineParser.ClashingContext c) {
        if (c == null) {
            return PatchFixtures.Clashing.REFUSE;
        }
        return c.SHARE() != null ? PatchFixtures.Clashing.SHARE : PatchFixtures.Clashing.TAKE_OVER;
    }
}
