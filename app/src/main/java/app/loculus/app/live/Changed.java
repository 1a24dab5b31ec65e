package app.loculus.app.live;

import app.loculus.app.session.ShowChanged;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.PartKinds;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What changed, as browsers are told.
 *
 * @param type always {@code changed}
 * @param all whether everything has to be looked at anew
 * @param views which views have to be looked at again, by their words
 * @param fixtures ids of those whose rows in the patch are others, where the patch is not among the views
 */
record Changed(
        String type, long show, long revision, boolean live, boolean all, Set<String> views, Set<Integer> fixtures) {

    static Changed of(ShowChanged event) {
        Set<Integer> fixtures = event.parts().stream()
                .filter(p -> p.kind() == PartKinds.FIXTURES)
                .map(p -> ((FixtureId) p.key()).value())
                .collect(Collectors.toCollection(LinkedHashSet::new));
        boolean told = fixtures.size() <= View.MOST_FIXTURES
                && !event.touches(PartKinds.PROFILES)
                && !event.touches(PartKinds.UNIVERSES);
        return new Changed(
                "changed",
                event.snapshot().id(),
                event.snapshot().revision(),
                event.live(),
                event.all(),
                View.stale(event, told),
                told ? fixtures : Set.of());
    }

    /** Every page looks at the library again. */
    static Changed library() {
        return new Changed("changed", 0, 0, false, false, View.ofLibrary(), Set.of());
    }

    /** Two changes of one show as one; the later one's state counts. */
    Changed and(Changed later) {
        Set<String> both = new LinkedHashSet<>(views);
        both.addAll(later.views);
        Set<Integer> rows = new LinkedHashSet<>(fixtures);
        rows.addAll(later.fixtures);
        if (rows.size() > View.MOST_FIXTURES) {
            both.add(View.PATCH.word());
        }
        return new Changed(
                type,
                show,
                later.revision,
                live || later.live,
                all || later.all,
                both,
                both.contains(View.PATCH.word()) ? Set.of() : rows);
    }
}
