package app.loculus.app.session;

import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.PartRef;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Published after an edit is on disk.
 *
 * @param parts which parts changed; nothing when everything may have
 * @param noticed those of them for which whoever refers to them has to look again
 * @param all whether the show has to be looked at as a whole, as after opening it
 * @param live whether the show drives the output
 */
public record ShowChanged(Snapshot snapshot, Set<PartRef> parts, Set<PartRef> noticed, boolean all, boolean live) {

    /** The show as a whole has to be looked at. */
    static ShowChanged whole(Snapshot snapshot) {
        return new ShowChanged(snapshot, Set.of(), Set.of(), true, true);
    }

    /** Kinds of which something changed. */
    public Set<PartKind<?, ?>> kinds() {
        return all
                ? new LinkedHashSet<>(PartKinds.ALL)
                : parts.stream().map(PartRef::kind).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    public boolean touches(PartKind<?, ?> kind) {
        return all || parts.stream().anyMatch(p -> p.kind() == kind);
    }
}
