package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Timing;
import app.loculus.core.motion.Moving;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.unit.Seconds;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** The way from where a list stands to a cue, or to what lies below. Used once. */
final class Fading {

    private final Repertoire repertoire;
    private final Mixing mixing;
    private final Voice before;
    private final Map<FixtureId, Track[]> tracks;
    private final long own;
    private final double level;
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
        this.level = before instanceof Run run ? run.level() : 1;
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
        Stood[] standing = standing(fixture);
        int channels = standing == null ? 0 : standing.length;
        Track[] next = new Track[channels];
        boolean any = false;
        for (int i = 0; i < channels; i++) {
            Track was = were == null || i >= were.length ? null : were[i];
            Repertoire.Aim aim = aims == null || i >= aims.length ? null : aims[i];
            next[i] = aim == null ? leaving(was, standing[i], cue.timing()) : coming(was, standing[i], aim, cue);
            any |= next[i] != null;
        }
        return any ? Optional.of(next) : Optional.empty();
    }

    private Track coming(Track was, Stood stood, Repertoire.Aim aim, Cue cue) {
        boolean carried = !aim.by().equals(cue.id());
        if (was != null && (carried && aim.by().equals(was.by()) || goesThere(was, aim))) {
            return was.to(aim.placed(), aim.by());
        }
        FunctionValue to = aim.placed().place();
        boolean dims = aim.placed().dims();
        boolean below = carried && was != null;
        Seconds time = dims
                ? cue.timing()
                        .intensity(
                                to == null || to.light() > stood.stage().light(),
                                aim.placed().time())
                : cue.timing().other(aim.placed().time());
        return new Track(
                // Under others it goes on from its own, which is not what they make of it.
                dims ? stood.light(level) : below ? stood.own() : stood.stage(),
                to,
                aim.placed().moving(),
                own,
                cue.timing().delay().micros(),
                time.micros(),
                aim.placed().snaps(),
                below ? was.since() : at,
                goesOn(was, aim.placed().moving()) ? was.turns() : own,
                aim.by(),
                aim.placed().source());
    }

    /** Whether the same effect moves it already. */
    private static boolean goesOn(Track was, Moving moving) {
        return was != null
                && was.moving() != null
                && moving != null
                && was.moving().use().effect().equals(moving.use().effect());
    }

    /** Whether it started for the same goal at this very moment: of two cues that start together the first has its time. */
    private boolean goesThere(Track was, Repertoire.Aim aim) {
        return was.start() == own
                && Objects.equals(was.to(), aim.placed().place())
                && Objects.equals(was.moving(), aim.placed().moving());
    }

    private Track leaving(Track was, Stood stood, Timing timing) {
        if (was == null && stood.own() == null || was != null && (was.over(own) || was.leaves())) {
            return was != null && was.over(own) ? null : was;
        }
        FunctionValue from = stood.own() == null ? was.to() : stood.own();
        Seconds time = from == null || dims(from) ? timing.falling() : timing.others();
        return gone(was, from, stood, timing.delay().micros(), time.micros());
    }

    private Track gone(Track was, FunctionValue from, Stood stood, long delay, long time) {
        return new Track(
                from,
                null,
                null,
                own,
                delay,
                time,
                stood.snaps(),
                was == null ? at : was.since(),
                own,
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
            Stood[] standing = standing(fixture);
            Track[] were = tracks.get(fixture);
            if (standing != null) {
                Track[] gone = new Track[standing.length];
                for (int i = 0; i < standing.length; i++) {
                    Track was = were == null ? null : were[i];
                    Stood stood = standing[i];
                    if (stood.own() != null) {
                        Track track = gone(was, stood.own(), stood, 0, release.micros());
                        gone[i] = was == null ? track.since(since) : track;
                    }
                }
                next.put(fixture, gone);
            }
        }
        return next;
    }

    /**
     * What the list comes in over in a fixture: where it stands, as far as it says or said something; null elsewhere.
     *
     * @param last whether it is the last that was started: it comes in over all others
     */
    Placed[] under(FixtureId fixture, Repertoire.Aim[] aims, boolean last) {
        Stood[] standing = standing(fixture);
        Placed[] from = new Placed[standing == null ? 0 : standing.length];
        for (int i = 0; i < from.length; i++) {
            Stood stood = standing[i];
            boolean comes = aims != null && i < aims.length && aims[i] != null;
            boolean dims = comes ? aims[i].placed().dims() : stood.own() != null && dims(stood.own());
            if (dims && (comes || !stood.snaps())) {
                from[i] = placed(comes ? stood.light(level) : stood.own());
            } else if (comes || stood.own() != null && !stood.snaps()) {
                from[i] = placed(last ? stood.stage() : stood.own());
            }
        }
        return from;
    }

    private static Placed placed(FunctionValue place) {
        return place == null
                ? null
                : new Placed(place, false, new app.loculus.core.resolve.Source.InLook(), Optional.empty(), null);
    }

    /** Where the channels of a fixture stand; null for a fixture that has gone. */
    private Stood[] standing(FixtureId fixture) {
        return repertoire
                .patch()
                .find(fixture)
                .map(f -> mixing.standing(before, f, repertoire.home(f)))
                .orElse(null);
    }
}
