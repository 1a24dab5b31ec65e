package app.loculus.app.rig;

import app.loculus.core.device.Uid;
import app.loculus.core.patch.Address;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;

/**
 * A fixture of the rig as a remotely managed device: one for each address it listens at.
 *
 * @param hung the fixture
 * @param place which of its addresses, 0 for the first; −1 for what hangs beside it and is nobody's
 * @param breakNumber which break of its mode starts there
 * @param label what is written into it
 */
record RigDevice(Uid uid, Hung hung, int place, int breakNumber, Address at, String label) {

    static final int STRAY = -1;

    int line() {
        return at.universe();
    }

    Profile profile() {
        return hung.sort().profile();
    }

    Mode mode() {
        return hung.sort().mode();
    }

    int slots(Mode of) {
        return of.footprint()
                .getOrDefault(
                        breakNumber,
                        of.footprint().values().stream().findFirst().orElse(0));
    }
}
