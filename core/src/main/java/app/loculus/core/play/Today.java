package app.loculus.core.play;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Round;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.selection.GroupId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/** What runs goes on in the show as it is now. */
record Today(Playing playing, Repertoire repertoire, long now) {

    /** The same things, with what they refer to and hold as it is now. */
    Playing goingOn() {
        List<Run> standing = new ArrayList<>();
        playing.runs().forEach(r -> today(r).ifPresent(standing::add));
        List<SubmasterVoice> subs = new ArrayList<>();
        playing.submasters()
                .forEach(s -> repertoire
                        .submaster(s.submaster())
                        .ifPresent(m -> subs.add(s.holding(repertoire.placed(m.look()), "submaster " + m.number()))));
        List<GroupVoice> faders = playing.groups().stream()
                .map(g -> new GroupVoice(g.group(), g.label(), g.level(), g.since(), dimmers(g.group())))
                .filter(g -> !g.dimmers().isEmpty())
                .toList();
        return new Playing(standing, subs, faders, playing.master(), playing.blind(), playing.turnings());
    }

    private Map<FixtureId, FunctionValue[]> dimmers(GroupId group) {
        Map<FixtureId, FunctionValue[]> all = new LinkedHashMap<>();
        for (UnitId unit : repertoire.members(group)) {
            Fixture fixture = repertoire.patch().find(unit.fixture()).orElse(null);
            if (fixture != null) {
                Mode mode = repertoire.patch().modeOf(fixture);
                FunctionValue[] full = all.computeIfAbsent(
                        fixture.id(), f -> new FunctionValue[mode.channels().size()]);
                mode.homesOf(unit.cell(), Attribute.DIMMER)
                        .forEach(cell -> mode.parameter(cell, Attribute.DIMMER)
                                .ifPresent(p -> full[p.channel()] = FunctionValue.lit(p.function(), 1)));
            }
        }
        return all;
    }

    private Optional<Run> today(Run run) {
        CueList list = repertoire.list(run.list()).orElse(null);
        List<Cue> cues = repertoire.cues(run.list());
        if (list == null) {
            return playing.release(run.list(), now, repertoire).run(run.list());
        }
        if (run instanceof ChaseRun chase) {
            return Optional.of(list.chase() || cues.isEmpty() ? today(chase, list) : cue(chase, list));
        }
        CueRun cue = (CueRun) run;
        if (cue.releasing()) {
            return Optional.of(cue);
        }
        return Optional.of(
                list.chase() && !cues.isEmpty()
                        ? playing.chase(list, place(cue, cues), now, repertoire)
                        : today(cue, list));
    }

    private static int place(CueRun run, List<Cue> cues) {
        return Math.max(0, Math.min(cues.size() - 1, Playing.index(run.at(), cues, 0)));
    }

    /** The cue it stands at is known by identity; what stands is what the cues that made it hold now. */
    private CueRun today(CueRun run, CueList list) {
        CueRun.At at = whole(run, list);
        Optional<Cue> cue = repertoire.cue(at.cue()).filter(c -> c.list().equals(list.id()));
        List<Cue> made =
                at.made().stream().flatMap(c -> repertoire.cue(c).stream()).toList();
        Map<FixtureId, Repertoire.Aim[]> aims = repertoire.state(made);
        CueRun.At stands =
                cue.map(c -> new CueRun.At(c.id(), c.number(), at.made())).orElse(at);
        return run.standing(stands, follows(run, cue))
                .holding(new Rebinding(repertoire, run).to(aims), Playing.label(list));
    }

    /** With the other halves of cues that were split. */
    private CueRun.At whole(CueRun run, CueList list) {
        List<CueId> made = new ArrayList<>();
        CueRun.At at = run.at();
        for (CueId id : run.at().made()) {
            made.add(id);
            Cue half = repertoire.cue(id).flatMap(c -> otherHalf(run, c, list)).orElse(null);
            if (half != null) {
                made.add(half.id());
                at = id.equals(at.cue()) ? new CueRun.At(half.id(), half.number(), List.of()) : at;
            }
        }
        return new CueRun.At(at.cue(), at.number(), made);
    }

    /**
     * A cue behind that starts with the one that stands, and holds nothing that does not stand already: the one was split,
     * and both of it stand.
     */
    private Optional<Cue> otherHalf(CueRun run, Cue stands, CueList list) {
        List<Cue> cues = repertoire.cues(list.id());
        int next = cues.indexOf(stands) + 1;
        if (next >= cues.size()
                || !stands.next().byItself()
                || stands.next().millisAfterBegin(stands.timing().length()) > 0
                || run.at().made().contains(cues.get(next).id())) {
            return Optional.empty();
        }
        boolean there = repertoire.placed(cues.get(next).look()).entrySet().stream()
                .allMatch(e -> there(run, stands.id(), run.tracks().get(e.getKey()), e.getValue()));
        return there ? Optional.of(cues.get(next)) : Optional.empty();
    }

    /** Whether all of it stands, or later cues have put something else there. */
    private static boolean there(CueRun run, CueId stands, Track[] tracks, Placed[] placed) {
        for (int i = 0; i < placed.length; i++) {
            boolean same = placed[i] == null
                    || tracks != null
                            && i < tracks.length
                            && tracks[i] != null
                            && (Objects.equals(tracks[i].to(), placed[i].place())
                                            && Objects.equals(tracks[i].moving(), placed[i].moving())
                                    || !stands.equals(tracks[i].by())
                                            && run.at().made().contains(tracks[i].by()));
            if (!same) {
                return false;
            }
        }
        return true;
    }

    /** Another time for what comes next counts where it is still to come; else the list waits for a press. */
    private OptionalLong follows(CueRun run, Optional<Cue> cue) {
        if (cue.isEmpty() || !cue.get().next().byItself()) {
            return OptionalLong.empty();
        }
        long own = run.clock().at(now);
        long when = run.began()
                + cue.get().next().millisAfterBegin(Playing.length(cue.get(), run.tracks(), run.began())) * 1000;
        return run.follows().equals(OptionalLong.of(when)) || when > own ? OptionalLong.of(when) : OptionalLong.empty();
    }

    private ChaseRun today(ChaseRun chase, CueList list) {
        List<ChaseRun.Step> steps = new ArrayList<>(Playing.steps(list, repertoire));
        int stood = chase.stepAt(now);
        ChaseRun.Step stands = chase.steps().get(stood);
        List<CueId> cues = steps.stream().map(ChaseRun.Step::cue).toList();
        List<CueId> were = chase.steps().stream().map(ChaseRun.Step::cue).toList();
        int at = cues.indexOf(stands.cue());
        boolean carrying = list.join() == CueList.Join.CARRYING_ON;
        boolean remade =
                stands.stays() || at < 0 || carrying && !cues.subList(0, at).equals(were.subList(0, stood));
        if (remade && at >= 0) {
            steps.set(at, new ChaseRun.Step(stands.cue(), stands.state(), true, steps.get(at)));
        } else if (remade) {
            // Where it was, until it is over.
            Set<CueId> before = new HashSet<>(were.subList(0, stood));
            at = (int) cues.stream().filter(before::contains).count();
            steps.add(at, new ChaseRun.Step(stands.cue(), stands.state(), true, null));
        }
        boolean turned = !list.tempo().direction().equals(chase.tempo().direction())
                || list.tempo().seed() != chase.tempo().seed()
                || !cues.equals(were)
                || remade;
        ChaseRun next = chase.as(list.tempo(), now).holding(List.copyOf(steps), Playing.label(list));
        if (!turned) {
            return next;
        }
        // The same step again, as far on as it was, over what it came in over.
        double position = chase.position(now);
        double f = position - Math.floor(position);
        long k = new Round(steps.size(), next.tempo().direction(), next.tempo().seed())
                .when(at, steps.size() > 1 ? 1 : 0);
        return next.placed(new ChaseRun.Place(chase.clock().at(now), f, k, chase.over(now), 0));
    }

    /** A chase that is a list again stays where it is. */
    private CueRun cue(ChaseRun chase, CueList list) {
        List<Cue> cues = repertoire.cues(list.id());
        CueId stood = chase.steps().get(chase.stepAt(now)).cue();
        Set<CueId> before = new HashSet<>();
        chase.steps().subList(0, chase.stepAt(now)).forEach(s -> before.add(s.cue()));
        int at = cues.stream().map(Cue::id).toList().indexOf(stood);
        int index = at >= 0
                ? at
                : Math.min(cues.size() - 1, (int)
                        cues.stream().filter(c -> before.contains(c.id())).count());
        return (CueRun)
                playing.come(list, index, now, repertoire).run(list.id()).orElseThrow();
    }
}
