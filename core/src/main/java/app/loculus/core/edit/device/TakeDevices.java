package app.loculus.core.edit.device;

import app.loculus.core.edit.patch.AddressAsSaid;
import app.loculus.core.edit.patch.ReviseFixtures;
import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.patch.Starts;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Optional;

/**
 * The patch becomes what the devices say: addresses, modes, types. What they say wrong keeps nothing else out.
 *
 * @param revisions with all starts of each fixture
 * @param known which device is which from now on
 */
public record TakeDevices(List<Revision> revisions, KnowDevices known) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        List<Revision> types = revisions.stream()
                .filter(r -> r.type().isPresent())
                .map(TakeDevices::lifted)
                .toList();
        if (!types.isEmpty()) {
            new ReviseFixtures(types, List.of()).on(draft);
        }
        new AddressAsSaid(
                        revisions,
                        "as the devices say",
                        "devices.address",
                        "Set one of the two to another address, and search again.")
                .on(draft);
        known.on(draft);
    }

    /** Without an address until all have their types: with another one it may need more slots. */
    private static Revision lifted(Revision r) {
        return new Revision(
                r.number(),
                r.renumbered(),
                r.name(),
                r.type(),
                Optional.of(Starts.NONE),
                r.position(),
                r.purpose(),
                r.notes());
    }
}
