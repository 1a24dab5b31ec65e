package app.loculus.core.play;

import app.loculus.core.patch.FixtureId;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;

/** A list goes on with other goals: what its cues hold or refer to has changed. */
record Rebinding(Repertoire repertoire, CueRun run) {

    Map<FixtureId, Track[]> to(Map<FixtureId, Repertoire.Aim[]> aims) {
        Map<FixtureId, Track[]> next = new HashMap<>();
        Set<FixtureId> all = new LinkedHashSet<>(run.tracks().keySet());
        all.addAll(aims.keySet());
        for (FixtureId fixture : all) {
            repertoire
                    .patch()
                    .find(fixture)
                    .ifPresent(f -> next.put(
                            fixture,
                            tracks(
                                    run.tracks().get(fixture),
                                    aims.get(fixture),
                                    repertoire.patch().modeOf(f).channels().size())));
        }
        return next;
    }

    private Track[] tracks(Track[] were, Repertoire.Aim[] aims, int channels) {
        Track[] next = new Track[channels];
        // Another mode has other channels: what went on there is over.
        boolean same = were != null && were.length == channels;
        for (int i = 0; i < channels; i++) {
            Track was = same ? were[i] : null;
            Repertoire.Aim aim = aims == null || i >= aims.length ? null : aims[i];
            next[i] = track(was, aim);
        }
        return next;
    }

    private Track track(Track was, Repertoire.Aim aim) {
        if (was != null && !was.leaves() && repertoire.cue(was.by()).isEmpty()) {
            // The cue that put it there is deleted: its light stands until the next press.
            return was;
        }
        if (aim == null) {
            return was != null && was.leaves() ? was : null;
        }
        if (was != null && !was.leaves()) {
            return was.to(aim.placed(), aim.by());
        }
        // It was put into a cue that is there already: it is there at once.
        return new Track(
                null,
                aim.placed().place(),
                aim.placed().moving(),
                run.began(),
                0,
                0,
                aim.placed().snaps(),
                run.clock().shownAt(run.began()),
                run.began(),
                aim.by(),
                aim.placed().source());
    }
}
