package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.look.CueListId;
import app.loculus.core.look.Round;
import app.loculus.core.look.Taps;
import app.loculus.core.look.Tempo;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A list that is played by tempo.
 *
 * @param since when it was started, by the clock of all
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
        Tempo tempo,
        double kept,
        Place place,
        List<Step> steps,
        Taps taps)
        implements Run {

    private static final double MINUTE = 60_000_000;

    /** One step of the round. */
    record Step(CueId cue, Map<FixtureId, Repertoire.Aim[]> state) {}

    /**
     * Where it stood at a time.
     *
     * @param own in the list's own time
     * @param position s, in steps since it began
     * @param shift added to ⌊s⌋ in the round, so that a jump lands on the step that is wanted
     * @param from what it comes in over at the step it began or was sent to, instead of the step before
     * @param fromStep that step's ⌊s⌋
     */
    record Place(long own, double position, long shift, Map<FixtureId, FunctionValue[]> from, long fromStep) {}

    /** What it knows about a fixture at one moment. */
    private record Lane(Repertoire.Aim[] now, Repertoire.Aim[] before, FunctionValue[] from, double share) {}

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
        return new ChaseRun(list, label, clock, other, since, tempo, kept, place, steps, taps);
    }

    @Override
    public ChaseRun clocked(Clockwork other) {
        return new ChaseRun(list, label, other, level, since, tempo, kept, place, steps, taps);
    }

    /** At another rate, from where it stands now. */
    ChaseRun rate(double rate, long now) {
        return standing(now).at(tempo.rate(rate));
    }

    ChaseRun at(Tempo other) {
        return new ChaseRun(list, label, clock, level, since, other, kept, place, steps, taps);
    }

    /** As the list has it now: another rate there counts from here on, else the one that is played goes on. */
    ChaseRun as(Tempo list, long now) {
        if (list.rate() == kept) {
            return at(list.rate(tempo.rate()));
        }
        ChaseRun here = standing(now);
        return new ChaseRun(here.list, label, clock, level, since, list, list.rate(), here.place, steps, Taps.NONE);
    }

    /** The same from where it stands now on. */
    ChaseRun standing(long now) {
        Place here = new Place(clock.at(now), position(now), place.shift(), place.from(), place.fromStep());
        return new ChaseRun(list, label, clock, level, since, tempo, kept, here, steps, taps);
    }

    ChaseRun tapped(Taps other) {
        return new ChaseRun(list, label, clock, level, since, tempo, kept, place, steps, other);
    }

    ChaseRun placed(Place other) {
        return new ChaseRun(list, label, clock, level, since, tempo, kept, other, steps, taps);
    }

    ChaseRun holding(List<Step> others, String called) {
        return new ChaseRun(list, called, clock, level, since, tempo, kept, place, others, taps);
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
        return steps ? fixtures() : from == to ? Set.of() : swinging();
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
        FunctionValue[] from = first ? place.from().get(fixture) : null;
        return coming == null && before == null && from == null ? null : new Lane(coming, before, from, tempo.share(s));
    }

    @Override
    public boolean read(Object lane, int channel, long now, Wish into) {
        Lane at = (Lane) lane;
        Placed to = placed(at.now(), channel);
        Placed was = placed(at.before(), channel);
        FunctionValue from = at.from() != null && channel < at.from().length ? at.from()[channel] : null;
        from = was == null ? from : was.place();
        into.fromMoving = was == null ? null : was.moving();
        if (to == null && (from == null && was == null || at.share() >= 1)) {
            return false;
        }
        into.from = from;
        into.to = to == null ? null : to.place();
        into.moving = to == null ? null : to.moving();
        into.share = to != null && to.snaps() || was != null && was.snaps() ? 1 : at.share();
        into.level = level;
        into.since = since;
        into.source = to != null ? to.source() : was != null ? was.source() : new Source.InLook();
        return true;
    }

    private static Placed placed(Repertoire.Aim[] aims, int channel) {
        return aims == null || channel >= aims.length || aims[channel] == null ? null : aims[channel].placed();
    }

    @Override
    public long next(long now) {
        if (!swinging().isEmpty()) {
            return now;
        }
        if (clock.paused()) {
            return Long.MAX_VALUE;
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
