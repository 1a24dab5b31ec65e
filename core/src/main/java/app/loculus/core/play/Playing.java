package app.loculus.core.play;

import app.loculus.core.effect.Beats;
import app.loculus.core.effect.Turning;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.Round;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.look.Taps;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.selection.GroupId;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Seconds;
import app.loculus.core.value.CueListId;
import app.loculus.core.value.EffectId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * All that runs. Immutable: a press makes another one. What started by itself meanwhile did so at its very time, however
 * late anybody looks, so that the same presses give the same frames.
 *
 * @param runs lists, cue by cue or as chases, in the order in which they were started
 * @param master scales everything, 0 to 1
 * @param blind whether working values are kept from the output
 * @param turnings how far effects have turned
 */
public record Playing(
        List<Run> runs,
        List<SubmasterVoice> submasters,
        List<GroupVoice> groups,
        double master,
        boolean blind,
        Map<EffectId, Turning> turnings) {

    /** Nothing runs. */
    public static final Playing NOTHING = new Playing(List.of(), List.of(), List.of(), 1, false, Map.of());

    /** Seconds; as long as any time may be. */
    private static final double LONGEST = 86_400;

    public Playing {
        runs = List.copyOf(runs);
        submasters = List.copyOf(submasters);
        groups = List.copyOf(groups);
        turnings = Map.copyOf(turnings);
    }

    /** After a press. @param at when, in microseconds; not before an earlier one */
    public Playing after(Press press, long at, Repertoire repertoire) {
        return press.as(new Pressed(at(at, repertoire), at, repertoire));
    }

    /** What runs at a time: cues that start by themselves have started, what was released and has arrived is gone. */
    public Playing at(long now, Repertoire repertoire) {
        Playing playing = this;
        Optional<CueRun> due = playing.due(now);
        while (due.isPresent()) {
            CueRun run = due.get();
            long when = run.clock().shownAt(run.follows().getAsLong());
            playing = playing.onwards(run, 1, when, repertoire);
            due = playing.due(now);
        }
        List<Run> left = playing.runs.stream()
                .filter(r -> !(r.releasing() && r.clock().at(now) >= ((CueRun) r).ends()))
                .map(r -> r instanceof ChaseRun chase ? chase.shed(now) : r)
                .toList();
        return left.equals(playing.runs) ? playing : playing.with(left);
    }

    /** The list whose next cue should have started the longest ago. */
    private Optional<CueRun> due(long now) {
        CueRun first = null;
        for (Run run : runs) {
            if (run instanceof CueRun c
                    && c.follows().isPresent()
                    && !c.clock().paused()
                    && c.clock().shownAt(c.follows().getAsLong()) <= now
                    && (first == null
                            || c.clock().shownAt(c.follows().getAsLong())
                                    < first.clock().shownAt(first.follows().getAsLong()))) {
                first = c;
            }
        }
        return Optional.ofNullable(first);
    }

    /** When something changes by itself next: now while something moves, {@link Long#MAX_VALUE} when nothing does. */
    public long next(long now) {
        return submasters.stream().anyMatch(s -> !s.moved(now, now + 1).isEmpty())
                ? now
                : runs.stream().mapToLong(r -> r.next(now)).min().orElse(Long.MAX_VALUE);
    }

    /** Whether something is elsewhere at one time than at the other, as long as nothing is pressed. */
    public boolean moves(long from, long to) {
        return voices().stream().anyMatch(v -> !v.moved(from, to).isEmpty());
    }

    /** As a layer under the programmer. */
    public PlayLayer layer(long now) {
        return new PlayLayer(voices(), beats(now));
    }

    /** How far everything that moves has turned. */
    Beats beats(long now) {
        return new Beats(now, turnings);
    }

    private List<Voice> voices() {
        List<Voice> all = new ArrayList<>(runs.size() + submasters.size() + groups.size());
        all.addAll(runs);
        all.addAll(submasters);
        all.addAll(groups);
        return all;
    }

    public boolean nothing() {
        return runs.isEmpty() && submasters.isEmpty() && groups.isEmpty();
    }

    Optional<Run> run(CueListId list) {
        return runs.stream().filter(r -> r.list().equals(list)).findFirst();
    }

    /** With a list as it is now, started last or where it was. */
    private Playing with(Run run, boolean last) {
        List<Run> all = new ArrayList<>(runs);
        int at = -1;
        for (int i = 0; i < all.size(); i++) {
            at = all.get(i).list().equals(run.list()) ? i : at;
        }
        if (at >= 0 && !last) {
            all.set(at, run);
        } else {
            all.removeIf(r -> r.list().equals(run.list()));
            all.add(run);
        }
        return with(all);
    }

    private Playing with(List<Run> others) {
        return new Playing(others, submasters, groups, master, blind, turnings);
    }

    private Playing changing(CueListId list, UnaryOperator<Run> how) {
        return run(list).map(r -> with(how.apply(r), false)).orElse(this);
    }

    Playing go(CueListId id, long at, Repertoire repertoire) {
        CueList list = repertoire.list(id).orElse(null);
        if (list == null || repertoire.cues(id).isEmpty()) {
            return this;
        }
        Optional<Run> run = run(id);
        if (run.filter(r -> r.clock().paused()).isPresent()) {
            return changing(id, r -> r.clocked(r.clock().going(at)));
        }
        if (list.chase()) {
            return run.filter(r -> r instanceof ChaseRun).isPresent()
                    ? this
                    : with(chase(list, 0, at, repertoire), true);
        }
        return run.filter(r -> r instanceof CueRun && !r.releasing())
                .map(r -> onwards((CueRun) r, 1, at, repertoire))
                .orElseGet(() -> come(list, 0, at, repertoire));
    }

    Playing back(CueListId id, long at, Repertoire repertoire) {
        Optional<Run> run = run(id);
        if (run.orElse(null) instanceof ChaseRun chase) {
            int before = Math.floorMod(chase.stepAt(at) - 1, chase.steps().size());
            return sent(chase, before, at, repertoire);
        }
        return run.map(r -> onwards((CueRun) r, -1, at, repertoire)).orElse(this);
    }

    /** To a neighbour of the cue a list stands at; nowhere when there is none. */
    private Playing onwards(CueRun run, int by, long at, Repertoire repertoire) {
        CueList list = repertoire.list(run.list()).orElse(null);
        List<Cue> cues = repertoire.cues(run.list());
        int next = index(run.at(), cues, by);
        return list == null || next < 0 || next >= cues.size()
                ? with(run.staying(), false)
                : come(list, next, at, repertoire);
    }

    /** A cue that is gone stands between its neighbours. */
    static int index(CueRun.At at, List<Cue> cues, int by) {
        for (int i = 0; i < cues.size(); i++) {
            if (cues.get(i).id().equals(at.cue())) {
                return i + by;
            }
        }
        int before = (int)
                cues.stream().filter(c -> c.number().compareTo(at.number()) < 0).count();
        return by > 0 ? before : before + by;
    }

    Playing jump(CueListId id, CueId cue, long at, Repertoire repertoire) {
        CueList list = repertoire.list(id).orElse(null);
        int index = repertoire.cues(id).stream().map(Cue::id).toList().indexOf(cue);
        if (list == null || index < 0) {
            return this;
        }
        if (!list.chase()) {
            return come(list, index, at, repertoire);
        }
        return run(id).orElse(null) instanceof ChaseRun chase
                ? sent(chase, index, at, repertoire)
                : with(chase(list, index, at, repertoire), true);
    }

    Playing come(CueList list, int index, long at, Repertoire repertoire) {
        Cue cue = repertoire.cues(list.id()).get(index);
        Run before = run(list.id()).orElse(null);
        Clockwork clock = before == null ? Clockwork.GOING : before.clock().going(at);
        long own = clock.at(at);
        Map<FixtureId, Track[]> tracks = new Fading(repertoire, voices(), before, own, beats(at)).to(list, index);
        OptionalLong follows = cue.next().byItself()
                ? OptionalLong.of(own + cue.next().millisAfterBegin(length(cue, tracks, own)) * 1000)
                : OptionalLong.empty();
        return with(
                new CueRun(
                        list.id(),
                        label(list),
                        clock,
                        before == null ? 1 : before.level(),
                        CueRun.At.come(list, repertoire.cues(list.id()), index),
                        own,
                        follows,
                        tracks,
                        CueRun.last(tracks),
                        false),
                true);
    }

    /** How long a cue takes, with the times of palettes that it refers to. @param began in the list's own time */
    static Seconds length(Cue cue, Map<FixtureId, Track[]> tracks, long began) {
        long last = began + cue.timing().length().micros();
        for (Track[] all : tracks.values()) {
            for (Track track : all) {
                last = track == null || !cue.id().equals(track.by()) ? last : Math.max(last, track.ends());
            }
        }
        // A wait and the time of a palette may be more than the day that a time may have.
        return Seconds.of(Math.min(LONGEST, (last - began) / 1e6));
    }

    static String label(CueList list) {
        return "list " + list.number();
    }

    ChaseRun chase(CueList list, int index, long at, Repertoire repertoire) {
        Run before = run(list.id()).orElse(null);
        Clockwork clock = before == null ? Clockwork.GOING : before.clock().going(at);
        ChaseRun fresh = new ChaseRun(
                list.id(),
                label(list),
                clock,
                before == null ? 1 : before.level(),
                at,
                clock.at(at),
                list.tempo(),
                list.tempo().rate(),
                new ChaseRun.Place(0, 0, 0, Map.of(), 0),
                steps(list, repertoire),
                Taps.NONE);
        return landed(fresh, before, index, at, repertoire);
    }

    static List<ChaseRun.Step> steps(CueList list, Repertoire repertoire) {
        List<Cue> cues = repertoire.cues(list.id());
        List<ChaseRun.Step> steps = new ArrayList<>();
        for (int i = 0; i < cues.size(); i++) {
            steps.add(new ChaseRun.Step(cues.get(i).id(), repertoire.state(list, i)));
        }
        return List.copyOf(steps);
    }

    private Playing sent(ChaseRun chase, int index, long at, Repertoire repertoire) {
        return with(landed(chase, chase, index, at, repertoire), false);
    }

    /** At the beginning of a step, coming in over what stands now; all of it has come in where time stands still. */
    private ChaseRun landed(ChaseRun chase, Voice before, int index, long at, Repertoire repertoire) {
        Fading fading = new Fading(repertoire, voices(), before, 0, beats(at));
        Map<FixtureId, Repertoire.Aim[]> state = chase.steps().get(index).state();
        Set<FixtureId> fixtures = new LinkedHashSet<>(state.keySet());
        if (before != null) {
            fixtures.addAll(before.fixtures());
        }
        Map<FixtureId, Placed[]> from = new HashMap<>();
        fixtures.forEach(f -> from.put(f, fading.under(f, state.get(f), chase.since() == at)));
        long k = new Round(
                        chase.steps().size(),
                        chase.tempo().direction(),
                        chase.tempo().seed())
                .when(index, 0);
        double position = chase.clock().paused() ? chase.tempo().in() : 0;
        return chase.placed(new ChaseRun.Place(chase.clock().at(at), position, k, from, 0));
    }

    Playing pause(CueListId list, long at) {
        return changing(list, r -> r.clocked(r.clock().turned(at)));
    }

    Playing release(CueListId id, long at, Repertoire repertoire) {
        Run run = run(id).orElse(null);
        if (run == null || run.releasing()) {
            return this;
        }
        // One that is deleted lets go in the time that lists have from the start.
        Seconds release = repertoire.list(id).map(CueList::release).orElse(CueList.USUAL_RELEASE);
        Clockwork clock = run.clock().going(at);
        long own = clock.at(at);
        long since = run instanceof ChaseRun chase ? chase.since() : at;
        Map<FixtureId, Track[]> tracks = new Fading(repertoire, voices(), run, own, beats(at)).away(release, since);
        CueRun.At where = run instanceof CueRun c
                ? c.at()
                : at(((ChaseRun) run).steps().get(((ChaseRun) run).stepAt(at)).cue(), repertoire.cues(id));
        return with(
                new CueRun(
                        id,
                        run.label(),
                        clock,
                        run.level(),
                        where,
                        own,
                        OptionalLong.empty(),
                        tracks,
                        own + release.micros(),
                        true),
                false);
    }

    private static CueRun.At at(CueId cue, List<Cue> cues) {
        return cues.stream()
                .filter(c -> c.id().equals(cue))
                .findFirst()
                .map(c -> new CueRun.At(c.id(), c.number(), List.of()))
                .orElseGet(() -> new CueRun.At(cue, CueNumber.of(1), List.of()));
    }

    Playing releaseAll(long at, Repertoire repertoire) {
        Playing all = this;
        for (Run run : runs) {
            all = all.release(run.list(), at, repertoire);
        }
        return new Playing(all.runs, List.of(), List.of(), all.master, blind, turnings);
    }

    Playing level(CueListId list, Fraction level) {
        return changing(list, r -> r.level(level.value()));
    }

    Playing rate(CueListId list, double rate, long at) {
        return changing(list, r -> r instanceof ChaseRun chase ? chase.rate(rate, at) : r);
    }

    Playing tap(CueListId list, long at) {
        return changing(list, r -> {
            if (!(r instanceof ChaseRun chase)) {
                return r;
            }
            Taps taps = chase.taps().tapped(at);
            ChaseRun tapped = chase.tapped(taps);
            return taps.rate().map(rate -> tapped.rate(rate, at)).orElse(tapped);
        });
    }

    Playing submaster(SubmasterId id, Fraction level, long at) {
        return under(id, level.value(), found(id).map(SubmasterVoice::flashed).orElse(false), at);
    }

    Playing flash(SubmasterId id, boolean held, long at) {
        return under(id, found(id).map(SubmasterVoice::level).orElse(0.0), held, at);
    }

    private Optional<SubmasterVoice> found(SubmasterId id) {
        return submasters.stream().filter(s -> s.submaster().equals(id)).findFirst();
    }

    /** It is laid out by {@link #on}, as everything is. */
    private Playing under(SubmasterId id, double level, boolean flashed, long at) {
        List<SubmasterVoice> all = new ArrayList<>(submasters);
        Optional<SubmasterVoice> before = found(id);
        all.removeIf(s -> s.submaster().equals(id));
        if (level > 0 || flashed) {
            all.add(new SubmasterVoice(
                    id,
                    before.map(SubmasterVoice::label).orElse(""),
                    level,
                    flashed,
                    before.map(SubmasterVoice::since).orElse(at),
                    before.map(SubmasterVoice::placed).orElse(Map.of())));
        }
        return new Playing(runs, all, groups, master, blind, turnings);
    }

    Playing group(GroupId id, Fraction level, long at, Repertoire repertoire) {
        List<GroupVoice> all = new ArrayList<>(groups);
        all.removeIf(g -> g.group().equals(id));
        if (level.value() > 0) {
            all.add(new GroupVoice(id, "group fader", level.value(), at, Map.of()));
        }
        return new Playing(runs, submasters, all, master, blind, turnings).on(repertoire, at);
    }

    Playing master(Fraction level) {
        return new Playing(runs, submasters, groups, level.value(), blind, turnings);
    }

    public Playing blind(boolean on) {
        return new Playing(runs, submasters, groups, master, on, turnings);
    }

    /**
     * The same with the show as it is now: what is referred to, and what cues hold, counts as it is today. What has gone
     * lets go.
     */
    public Playing on(Repertoire repertoire, long now) {
        Map<EffectId, Turning> turned = Beats.following(turnings, repertoire.effects(), now);
        return new Today(new Playing(runs, submasters, groups, master, blind, turned), repertoire, now).goingOn();
    }
}
