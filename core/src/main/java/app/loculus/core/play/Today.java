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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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
        if (list == null || cues.isEmpty() && !run.releasing()) {
            return Optional.empty();
        }
        if (run instanceof ChaseRun chase) {
            return Optional.of(list.chase() ? today(chase, list) : cue(chase, list));
        }
        CueRun cue = (CueRun) run;
        if (cue.releasing()) {
            return Optional.of(cue);
        }
        return Optional.of(list.chase() ? playing.chase(list, place(cue, cues), now, repertoire) : today(cue, list));
    }

    private static int place(CueRun run, List<Cue> cues) {
        return Math.max(0, Math.min(cues.size() - 1, Playing.index(run.at(), cues, 0)));
    }

    private CueRun today(CueRun run, CueList list) {
        List<Cue> cues = repertoire.cues(list.id());
        int index = Playing.index(run.at(), cues, 0);
        boolean there = index >= 0
                && index < cues.size()
                && cues.get(index).id().equals(run.at().cue());
        int state = there ? index : Playing.index(run.at(), cues, 1) - 1;
        Map<FixtureId, Repertoire.Aim[]> aims = state < 0 || list.join() == CueList.Join.STANDING_ALONE && !there
                ? Map.of()
                : repertoire.state(list, state);
        return run.holding(new Rebinding(repertoire.patch(), run).to(aims), Playing.label(list));
    }

    private ChaseRun today(ChaseRun chase, CueList list) {
        List<ChaseRun.Step> steps = Playing.steps(list, repertoire);
        int stood = chase.stepAt(now);
        CueId cue = chase.steps().get(stood).cue();
        int stands = Math.max(0, steps.stream().map(ChaseRun.Step::cue).toList().indexOf(cue));
        boolean turned = !list.tempo().direction().equals(chase.tempo().direction())
                || list.tempo().seed() != chase.tempo().seed()
                || steps.size() != chase.steps().size()
                || stands != stood;
        ChaseRun next = chase.as(list.tempo(), now).holding(steps, Playing.label(list));
        if (!turned) {
            return next;
        }
        // The same step again, as far on as it was.
        double position = chase.position(now);
        double f = position - Math.floor(position);
        long k = new Round(steps.size(), next.tempo().direction(), next.tempo().seed())
                .when(stands, steps.size() > 1 ? 1 : 0);
        return next.placed(new ChaseRun.Place(chase.clock().at(now), f, k, Map.of(), Long.MIN_VALUE));
    }

    /** A chase that is a list again stays where it is. */
    private CueRun cue(ChaseRun chase, CueList list) {
        List<Cue> cues = repertoire.cues(list.id());
        CueId stood = chase.steps().get(chase.stepAt(now)).cue();
        int index = Math.max(0, cues.stream().map(Cue::id).toList().indexOf(stood));
        return (CueRun)
                playing.come(list, index, now, repertoire).run(list.id()).orElseThrow();
    }
}
