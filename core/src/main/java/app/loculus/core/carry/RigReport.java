package app.loculus.core.carry;

import app.loculus.core.patch.FixtureId;
import java.util.List;

/**
 * What moving a show to another rig does.
 *
 * @param fates of its parts, in the order of their sorts and numbers
 * @param without fixtures of the show that nothing stands for
 * @param idle fixtures of the other rig that stand for nothing
 * @param said sentences about the whole
 */
public record RigReport(List<Fate> fates, List<FixtureId> without, List<FixtureId> idle, List<String> said) {
    public RigReport {
        fates = List.copyOf(fates);
        without = List.copyOf(without);
        idle = List.copyOf(idle);
        said = List.copyOf(said);
    }

    /** How many parts of a sort have this as their worst. */
    public long count(Fate.Sort sort, Verdict worst) {
        return fates.stream()
                .filter(f -> f.sort() == sort && f.worst() == worst)
                .count();
    }
}
