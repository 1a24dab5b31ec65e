package app.loculus.core.command;

import app.loculus.core.edit.profile.ChangeType;
import app.loculus.core.edit.profile.RenewProfile;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/** Changing what a fixture is. */
final class ProfileClauses extends RoomClauses {

    private final TypeWords types;

    ProfileClauses(TypeWords types) {
        this.types = types;
    }

    @Override
    public List<ShowEdit> visitChange(LineParser.ChangeContext c) {
        return later(draft -> new ChangeType(
                new Selecting(draft).fixtures(c.selection()),
                types.type(draft, c.profile()),
                Optional.ofNullable(c.address()).map(Terms::address),
                types.clashing(c.clashing())));
    }

    @Override
    public List<ShowEdit> visitRenewProfile(LineParser.RenewProfileContext c) {
        return later(draft -> RenewProfile.of(
                draft.show().profiles().profile(Terms.text(c.profile().text())),
                types.library().get()));
    }
}
