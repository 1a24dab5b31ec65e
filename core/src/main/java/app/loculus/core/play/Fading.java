package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Timing;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.unit.Seconds;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The way from where a list stands to a cue, or to what lies below. Used once. */
final class Fading {

    private final Repertoire repertoire;
    private final Mixing mixing;
    private final Voice before;
    private final Map<FixtureId, Track[]> tracks;
    private final long own;
    private final long at;

    /**
     * @param all what runs, the list with it
     * @param before the list as it runs; null when it does not
     * @param own its own time
     * @param beats the time of all
     */
    Fading(Repertoire repertoire, Iterable<? extends Voice> all, Voice before, long own, Beats beats) {
        this.repertoire = repertoire;
        java.util.List<Voice> voices = new java.util.ArrayList<>();
        all.forEach(voices::add);
        this.mixing = new Mixing(voices, beats);
        this.before = before;
        this.tracks = before instanceof CueRun run ? run.tracks() : Map.of();
        this.own = own;
        this.at = beats.now();
    }

    /** What is set anew starts from where it is; what is carried goes on as it was going. */
    Map<FixtureId, Track[]> to(CueList list, int index) {
        Cue cue = repertoire.cues(list.id()).get(index);
        Map<FixtureId, Repertoire.Aim[]> state = repertoire.state(list, index);
        Set<FixtureId> fixtures = new LinkedHashSet<>(state.keySet());
        if (before != null) {
            fixtures.addAll(before.fixtures());
        }
        Map<FixtureId, Track[]> next = new HashMap<>();
        for (FixtureId fixture : fixtures) {
            track(fixture, state.get(fixture), cue).ifPresent(t -> next.put(fixture, t));
        }
        return next;
    }

    private Optional<Track[]> track(FixtureId fixture, Repertoire.Aim[] aims, Cue cue) {
        Track[] were = tracks.get(fixture);
        FunctionValue[] standing = standing(fixture, true);
        int channels = Math.max(
                aims == null ? 0 : aims.length,
                Math.max(were == null ? 0 : were.length, standing == null ? 0 : standing.length));
        Track[] next = new Track[channels];
        boolean any = false;
        for (int i = 0; i < channels; i++) {
            Track was = were == null || i >= were.length ? null : were[i];
            Repertoire.Aim aim = aims == null || i >= aims.length ? null : aims[i];
            FunctionValue from = standing == null || i >= standing.length ? null : standing[i];
            next[i] = aim == null ? leaving(was, from, cue.timing()) : coming(was, from, aim, cue);
            any |= next[i] != null;
        }
        return any ? Optional.of(next) : Optional.empty();
    }

    private Track coming(Track was, FunctionValue from, Repertoire.Aim aim, Cue cue) {
        boolean carried = !aim.by().equals(cue.id());
        if (carried && was != null && aim.by().equals(was.by())) {
            return was.to(aim.placed(), aim.by());
        }
        FunctionValue to = aim.placed().place();
        Seconds time = aim.placed().dims()
                ? cue.timing()
                        .intensity(
                                from == null || to == null || to.light() > from.light(),
                                aim.placed().time())
                : cue.timing().other(aim.placed().time());
        return new Track(
                from,
                to,
                aim.placed().moving(),
                own,
                cue.timing().delay().micros(),
                time.micros(),
                aim.placed().snaps(),
                carried && was != null ? was.since() : at,
                aim.by(),
                aim.placed().source());
    }

    private Track leaving(Track was, FunctionValue from, Timing timing) {
        if (was == null && from == null || was != null && (was.over(own) || was.leaves())) {
            return was != null && was.over(own) ? null : was;
        }
        FunctionValue stood = from == null ? was.to() : from;
        Seconds time = stood == null || dims(stood) ? timing.falling() : timing.others();
        return gone(was, stood, timing.delay().micros(), time.micros());
    }

    private Track gone(Track was, FunctionValue from, long delay, long time) {
        return new Track(
                from,
                null,
                null,
                own,
                delay,
                time,
                was != null && was.snaps(),
                was == null ? at : was.since(),
                null,
                was == null ? new app.loculus.core.resolve.Source.InLook() : was.source());
    }

    static boolean dims(FunctionValue value) {
        return value.function().attribute().equals(Attribute.DIMMER);
    }

    /** Everything the list holds, on its way to what lies below. @param since of a list that has one start for all */
    Map<FixtureId, Track[]> away(Seconds release, long since) {
        Map<FixtureId, Track[]> next = new LinkedHashMap<>();
        for (FixtureId fixture : before.fixtures()) {
            FunctionValue[] standing = standing(fixture, false);
            Track[] were = tracks.get(fixture);
            if (standing != null) {
                Track[] gone = new Track[standing.length];
                for (int i = 0; i < standing.length; i++) {
                    Track was = were == null ? null : were[i];
                    if (standing[i] != null) {
                        Track track = gone(was, standing[i], 0, release.micros());
                        gone[i] = was == null
                                ? new Track(
                                        track.from(),
                                        null,
                                        null,
                                        own,
                                        0,
                                        track.time(),
                                        false,
                                        since,
                                        null,
                                        track.source())
                                : track;
                    }
                }
                next.put(fixture, gone);
            }
        }
        return next;
    }

    /** Where the list has brought the channels of a fixture; null where it says nothing, and for a fixture that has gone. */
    FunctionValue[] standing(FixtureId fixture, boolean shown) {
        return before == null
                ? null
                : repertoire
                        .patch()
                        .find(fixture)
                        .map(f -> mixing.standing(before, f, repertoire.home(f), shown))
                        .orElse(null);
    }
}
