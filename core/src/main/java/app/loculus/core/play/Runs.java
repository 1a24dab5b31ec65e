package app.loculus.core.play;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What runs, for whoever looks.
 *
 * @param blind whether working values are kept from the output
 * @param master 0 to 1
 * @param all in the order in which they were started
 */
public record Runs(boolean blind, double master, List<One> all) {

    public static final Runs NOTHING = new Runs(false, 1, List.of());

    private static final double SECOND = 1_000_000;

    /** What kind of thing it is. */
    public enum Kind {
        LIST,
        CHASE,
        SUBMASTER,
        GROUP
    }

    /**
     * One of the things that run.
     *
     * @param id of the list, the submaster or the group
     * @param cue it stands at or goes to; absent for what has none
     * @param seconds since that began, standing still while it is paused
     * @param length of that in seconds
     * @param follows seconds after that began at which the next starts by itself; below 0 when it waits for a press
     * @param level 0 to 1
     * @param rate steps a minute of a chase
     * @param position of a chase in steps since it began
     * @param step of a chase in its list, from 0
     */
    public record One(
            Kind kind,
            int id,
            Optional<CueId> cue,
            double seconds,
            double length,
            double follows,
            double level,
            boolean paused,
            boolean releasing,
            double rate,
            double position,
            int step) {}

    /** Where chases stand at a time: another number when one of them has come to another step; 0 without any. */
    public static int steps(Playing playing, long now) {
        return playing.runs().stream()
                .mapToInt(r -> r instanceof ChaseRun c ? c.stepAt(now) + 1 : 0)
                .reduce(0, (all, step) -> 31 * all + step);
    }

    public static Runs of(Playing playing, long now, Repertoire repertoire) {
        List<One> all = new ArrayList<>();
        playing.runs()
                .forEach(r -> all.add(r instanceof ChaseRun c ? chase(c, now) : list((CueRun) r, now, repertoire)));
        playing.submasters()
                .forEach(s -> all.add(plain(Kind.SUBMASTER, s.submaster().value(), s.counting())));
        playing.groups().forEach(g -> all.add(plain(Kind.GROUP, g.group().value(), g.level())));
        return new Runs(playing.blind(), playing.master(), List.copyOf(all));
    }

    private static One plain(Kind kind, int id, double level) {
        return new One(kind, id, Optional.empty(), 0, 0, -1, level, false, false, 0, 0, 0);
    }

    private static One chase(ChaseRun c, long now) {
        int step = c.stepAt(now);
        return new One(
                Kind.CHASE,
                c.list().value(),
                Optional.of(c.steps().get(step).cue()),
                0,
                0,
                -1,
                c.level(),
                c.clock().paused(),
                false,
                c.tempo().rate(),
                c.position(now),
                step);
    }

    private static One list(CueRun r, long now, Repertoire repertoire) {
        Optional<Cue> cue = repertoire.cues(r.list()).stream()
                .filter(c -> c.id().equals(r.at().cue()))
                .findFirst();
        double length = r.releasing()
                ? repertoire
                        .list(r.list())
                        .map(CueList::release)
                        .map(s -> s.value())
                        .orElse(0.0)
                : (r.ends() - r.began()) / SECOND;
        return new One(
                Kind.LIST,
                r.list().value(),
                cue.map(Cue::id),
                (r.clock().at(now) - r.began()) / SECOND,
                Math.max(0, length),
                r.follows().isPresent() ? (r.follows().getAsLong() - r.began()) / SECOND : -1,
                r.level(),
                r.clock().paused(),
                r.releasing(),
                0,
                0,
                0);
    }
}
