package app.loculus.app.live;

import app.loculus.app.session.ShowChanged;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartRef;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What changed, as browsers are told.
 *
 * @param type always {@code changed}
 * @param all whether everything has to be looked at anew
 * @param areas kinds of which something changed
 * @param parts what of each kind, by key
 */
record Changed(
        String type, long show, long revision, boolean live, boolean all, Set<String> areas, Map<String, Parts> parts) {

    /** More keys than this are not listed: the whole kind is looked at. */
    private static final int MOST_KEYS = 200;

    /**
     * Parts of one kind.
     *
     * @param keys none when there are too many to list
     * @param noticed whether what refers to them has to be looked at as well
     */
    record Parts(List<String> keys, boolean noticed) {

        Parts and(Parts other) {
            Set<String> all = new LinkedHashSet<>(keys);
            all.addAll(other.keys);
            boolean many = keys.isEmpty() || other.keys.isEmpty() || all.size() > MOST_KEYS;
            return new Parts(many ? List.of() : List.copyOf(all), noticed || other.noticed);
        }
    }

    static Changed of(ShowChanged event) {
        Map<String, Parts> parts = new LinkedHashMap<>();
        Set<String> areas = new LinkedHashSet<>();
        for (PartKind<?, ?> kind : event.kinds()) {
            areas.add(kind.name());
            parts.put(kind.name(), parts(event, kind));
        }
        return new Changed(
                "changed", event.snapshot().id(), event.snapshot().revision(), event.live(), event.all(), areas, parts);
    }

    private static <K> Parts parts(ShowChanged event, PartKind<K, ?> kind) {
        List<String> keys = new ArrayList<>();
        boolean noticed = event.all();
        for (PartRef part : event.parts()) {
            if (part.kind() == kind) {
                keys.add(kind.keys().text().apply(kind.keys().type().cast(part.key())));
                noticed |= event.noticed().contains(part);
            }
        }
        return new Parts(keys.size() > MOST_KEYS ? List.of() : keys, noticed);
    }

    /** Two changes of one show as one; the later one's state counts. */
    Changed and(Changed later) {
        Set<String> kinds = new LinkedHashSet<>(areas);
        kinds.addAll(later.areas);
        Map<String, Parts> both = new LinkedHashMap<>(parts);
        later.parts.forEach((kind, p) -> both.merge(kind, p, Parts::and));
        return new Changed(type, show, later.revision, live || later.live, all || later.all, kinds, both);
    }
}
