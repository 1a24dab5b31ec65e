package app.loculus.core.play;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.value.CueListId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/**
 * A list that is played cue by cue.
 *
 * @param at the cue it came to last; stays when the cue is deleted
 * @param began when that cue did, in the list's own time
 * @param follows when the next cue starts by itself, in the list's own time
 * @param tracks by fixture, in the order of the mode's channels; null where it says nothing
 * @param swings whether an effect moves anything of it
 * @param ends when the last of them has arrived, in the list's own time
 */
record CueRun(
        CueListId list,
        String label,
        Clockwork clock,
        double level,
        At at,
        long began,
        OptionalLong follows,
        Map<FixtureId, Track[]> tracks,
        long ends,
        boolean releasing,
        boolean swings)
        implements Run {

    CueRun(
            CueListId list,
            String label,
            Clockwork clock,
            double level,
            At at,
            long began,
            OptionalLong follows,
            Map<FixtureId, Track[]> tracks,
            long ends,
            boolean releasing) {
        this(
                list,
                label,
                clock,
                level,
                at,
                began,
                follows,
                tracks,
                ends,
                releasing,
                !Swinging.found(tracks, t -> t.moving() != null).isEmpty());
    }

    /**
     * Where a list stands.
     *
     * @param number to go by when the cue is gone
     * @param made the cues whose looks make what stands, in their order when it came here: moving, renumbering or deleting
     *     some of them moves no light until the next press
     */
    record At(CueId cue, CueNumber number, List<CueId> made) {

        At {
            made = List.copyOf(made);
        }

        static At come(CueList list, List<Cue> cues, int index) {
            Cue cue = cues.get(index);
            int from = list.join() == CueList.Join.CARRYING_ON ? 0 : index;
            return new At(
                    cue.id(),
                    cue.number(),
                    cues.subList(from, index + 1).stream().map(Cue::id).toList());
        }
    }

    @Override
    public Optional<CueId> cue() {
        return Optional.of(at.cue());
    }

    @Override
    public CueRun level(double other) {
        return new CueRun(list, label, clock, other, at, began, follows, tracks, ends, releasing, swings);
    }

    @Override
    public CueRun clocked(Clockwork other) {
        return new CueRun(list, label, other, level, at, began, follows, tracks, ends, releasing, swings);
    }

    /** The same with nothing that starts by itself. */
    CueRun staying() {
        return new CueRun(list, label, clock, level, at, began, OptionalLong.empty(), tracks, ends, releasing);
    }

    CueRun holding(Map<FixtureId, Track[]> others, String called) {
        return new CueRun(list, called, clock, level, at, began, follows, others, last(others), releasing);
    }

    CueRun standing(At other, OptionalLong next) {
        return new CueRun(list, label, clock, level, other, began, next, tracks, ends, releasing, swings);
    }

    static long last(Map<FixtureId, Track[]> tracks) {
        long last = 0;
        for (Track[] all : tracks.values()) {
            for (Track track : all) {
                last = track == null ? last : Math.max(last, track.ends());
            }
        }
        return last;
    }

    @Override
    public Set<FixtureId> fixtures() {
        return tracks.keySet();
    }

    @Override
    public Set<FixtureId> moved(long from, long to) {
        long own = clock.at(from);
        if (own != clock.at(to) && own < ends) {
            return fixtures();
        }
        return from == to || !swings || clock.paused() ? Set.of() : Swinging.found(tracks, t -> t.moving() != null);
    }

    @Override
    public Object lane(FixtureId fixture, long now) {
        return tracks.get(fixture);
    }

    @Override
    public boolean read(Object lane, int channel, long now, Wish into) {
        Track[] all = (Track[]) lane;
        Track track = channel < all.length ? all[channel] : null;
        if (track == null) {
            return false;
        }
        long own = clock.at(now);
        if (track.over(own)) {
            return false;
        }
        if (clock.paused()) {
            into.beats = into.beats.at(clock.pausedAt());
        }
        track.read(own, clock, level, into);
        return true;
    }

    @Override
    public long next(long now) {
        if (clock.paused()) {
            return Long.MAX_VALUE;
        }
        if (swings) {
            return now;
        }
        if (clock.at(now) < ends) {
            return now;
        }
        return follows.isPresent() ? Math.max(now, clock.shownAt(follows.getAsLong())) : Long.MAX_VALUE;
    }
}
