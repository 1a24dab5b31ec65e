package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.look.Round;
import app.loculus.core.look.Taps;
import app.loculus.core.look.Tempo;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.resolve.Source;
import app.loculus.core.value.CueListId;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * A list that is played by tempo.
 *
 * @param since when it was started, by the clock of all
 * @param turns likewise, in its own time: its effects turn from there on
 * @param tempo as the list has it, with the rate that is played
 * @param kept the rate that the list has; another one there takes the place of what is played
 * @param place where in the round it stands, and since when
 * @param steps what stands at each step, in the order of the list
 * @param taps that set the rate
 */
record ChaseRun(
        CueListId list,
        String label,
        Clockwork clock,
        double level,
        long since,
        long turns,
        Tempo tempo,
        double kept,
        Place place,
        List<Step> steps,
        Taps taps)
        implements Run {

    private static final double MINUTE = 60_000_000;

    /**
     * One step of the round.
     *
     * @param stays whether it stands as it was until it is over, though cues that make it were deleted or moved
     * @param then what takes its place afterwards; null for nothing: its own cue is deleted
     */
    record Step(CueId cue, Map<FixtureId, Repertoire.Aim[]> state, boolean stays, Step then) {

        Step(CueId cue, Map<FixtureId, Repertoire.Aim[]> state) {
            this(cue, state, false, null);
        }
    }

    /**
     * Where it stood at a time.
     *
     * @param own in the list's own time
     * @param position s, in steps since it began
     * @param shift added to ⌊s⌋ in the round, so that a jump lands on the step that is wanted
     * @param from what it comes in over at the step it began or was sent to, instead of the step before
     * @param fromStep that step's ⌊s⌋
     */
    record Place(long own, double position, long shift, Map<FixtureId, Placed[]> from, long fromStep) {}

    /** What it knows about a fixture at one moment. */
    private record Lane(Repertoire.Aim[] now, Repertoire.Aim[] before, Placed[] from, double share) {}

    double position(long now) {
        return place.position() + tempo.rate() * (clock.at(now) - place.own()) / MINUTE;
    }

    int step(long k) {
        return new Round(steps.size(), tempo.direction(), tempo.seed()).step(k + place.shift());
    }

    int stepAt(long now) {
        return step((long) Math.floor(position(now)));
    }

    @Override
    public Optional<CueId> cue() {
        // Told with a moment by whoever knows one.
        return Optional.empty();
    }

    @Override
    public ChaseRun level(double other) {
        return new ChaseRun(list, label, clock, other, since, turns, tempo, kept, place, steps, taps);
    }

    @Override
    public ChaseRun clocked(Clockwork other) {
        return new ChaseRun(list, label, other, level, since, turns, tempo, kept, place, steps, taps);
    }

    /** At another rate, from where it stands now. */
    ChaseRun rate(double rate, long now) {
        return standing(now).at(tempo.rate(rate));
    }

    ChaseRun at(Tempo other) {
        return new ChaseRun(list, label, clock, level, since, turns, other, kept, place, steps, taps);
    }

    /** As the list has it now: another rate there counts from here on, else the one that is played goes on. */
    ChaseRun as(Tempo list, long now) {
        if (list.rate() == kept) {
            return at(list.rate(tempo.rate()));
        }
        ChaseRun here = standing(now);
        return new ChaseRun(
                here.list, label, clock, level, since, turns, list, list.rate(), here.place, steps, Taps.NONE);
    }

    /** The same from where it stands now on. */
    ChaseRun standing(long now) {
        Place here = new Place(clock.at(now), position(now), place.shift(), place.from(), place.fromStep());
        return new ChaseRun(list, label, clock, level, since, turns, tempo, kept, here, steps, taps);
    }

    ChaseRun tapped(Taps other) {
        return new ChaseRun(list, label, clock, level, since, turns, tempo, kept, place, steps, other);
    }

    ChaseRun placed(Place other) {
        return new ChaseRun(list, label, clock, level, since, turns, tempo, kept, other, steps, taps);
    }

    ChaseRun holding(List<Step> others, String called) {
        return new ChaseRun(list, called, clock, level, since, turns, tempo, kept, place, others, taps);
    }

    /**
     * With all steps as they are now, from the moment on at which one that stayed is over; itself as long as it is not. The
     * next one comes in over it.
     */
    ChaseRun shed(long now) {
        if (place.position() >= 1 || steps.stream().noneMatch(Step::stays) || Math.floor(position(now)) < 1) {
            return this;
        }
        List<Step> left = steps.stream()
                .map(s -> s.stays() ? s.then() : s)
                .filter(Objects::nonNull)
                .toList();
        if (left.isEmpty()) {
            return this;
        }
        int next = Math.max(
                0,
                left.stream().map(Step::cue).toList().indexOf(steps.get(step(1)).cue()));
        long over = place.own() + (long) Math.ceil((1 - place.position()) * MINUTE / tempo.rate());
        long k = new Round(left.size(), tempo.direction(), tempo.seed()).when(next, left.size() > 1 ? 1 : 0);
        return holding(left, label)
                .placed(new Place(over, 0, k, from(steps.get(step(0)).state()), 0));
    }

    /** What the step that stands at a time came in over, as places: for another round that goes on from there. */
    Map<FixtureId, Placed[]> over(long now) {
        long k = (long) Math.floor(position(now));
        return k == place.fromStep()
                ? place.from()
                : from(steps.get(step(k - 1)).state());
    }

    private static Map<FixtureId, Placed[]> from(Map<FixtureId, Repertoire.Aim[]> state) {
        Map<FixtureId, Placed[]> all = new HashMap<>();
        state.forEach((fixture, aims) -> {
            Placed[] from = new Placed[aims.length];
            for (int i = 0; i < aims.length; i++) {
                from[i] = aims[i] == null ? null : aims[i].placed();
            }
            all.put(fixture, from);
        });
        return all;
    }

    @Override
    public boolean releasing() {
        return false;
    }

    @Override
    public Set<FixtureId> fixtures() {
        Set<FixtureId> all = new LinkedHashSet<>(place.from().keySet());
        steps.forEach(s -> all.addAll(s.state().keySet()));
        return all;
    }

    @Override
    public Set<FixtureId> moved(long from, long to) {
        double s0 = position(from);
        double s1 = position(to);
        boolean steps = s0 != s1 && (Math.floor(s0) != Math.floor(s1) || tempo.share(s0) < 1 || tempo.share(s1) < 1);
        return steps ? fixtures() : from == to || clock.paused() ? Set.of() : swinging();
    }

    private Set<FixtureId> swinging() {
        Set<FixtureId> all = new LinkedHashSet<>();
        steps.forEach(s -> all.addAll(Swinging.found(s.state(), a -> a.placed().moving() != null)));
        return all;
    }

    @Override
    public Object lane(FixtureId fixture, long now) {
        double s = position(now);
        long k = (long) Math.floor(s);
        Repertoire.Aim[] coming = steps.get(step(k)).state().get(fixture);
        boolean first = k == place.fromStep();
        Repertoire.Aim[] before = first ? null : steps.get(step(k - 1)).state().get(fixture);
        Placed[] from = first ? place.from().get(fixture) : null;
        return coming == null && before == null && from == null ? null : new Lane(coming, before, from, tempo.share(s));
    }

    @Override
    public boolean read(Object lane, int channel, long now, Wish into) {
        Lane at = (Lane) lane;
        Placed to = placed(at.now(), channel);
        Placed was =
                at.from() != null && channel < at.from().length ? at.from()[channel] : placed(at.before(), channel);
        if (to == null && (was == null || at.share() >= 1)) {
            return false;
        }
        into.from = was == null ? null : was.place();
        into.fromMoving = was == null ? null : was.moving();
        into.to = to == null ? null : to.place();
        into.moving = to == null ? null : to.moving();
        into.snaps = to != null && to.snaps() || to == null && was != null && was.snaps();
        into.share = into.snaps || was != null && was.snaps() ? 1 : at.share();
        into.level = level;
        into.since = since;
        into.turns = clock.shownAt(turns);
        if (clock.paused()) {
            into.beats = into.beats.at(clock.pausedAt());
        }
        into.source = to != null ? to.source() : was != null ? was.source() : new Source.InLook();
        return true;
    }

    private static Placed placed(Repertoire.Aim[] aims, int channel) {
        return aims == null || channel >= aims.length || aims[channel] == null ? null : aims[channel].placed();
    }

    @Override
    public long next(long now) {
        if (clock.paused()) {
            return Long.MAX_VALUE;
        }
        if (!swinging().isEmpty()) {
            return now;
        }
        double s = position(now);
        if (tempo.share(s) < 1) {
            return now;
        }
        return steps.size() == 1
                ? Long.MAX_VALUE
                : now + (long) Math.ceil((Math.floor(s) + 1 - s) * MINUTE / tempo.rate());
    }
}
