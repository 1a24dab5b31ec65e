package app.loculus.app.api.carry;

import app.loculus.core.carry.Fate;
import app.loculus.core.carry.Pair;
import app.loculus.core.carry.Pairing;
import app.loculus.core.carry.RigReport;
import app.loculus.core.carry.Verdict;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.show.Show;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What moving a show to another rig would do.
 *
 * @param pairs by the numbers of the show
 * @param without fixtures of the show that nothing stands for; {@code idle} those of the rig that stand for nothing
 * @param fates part by part
 * @param said sentences about the whole
 * @param photometry whether profiles of both say how much light they give, so that levels could go by it
 */
record RigMoveView(
        List<PairView> pairs,
        List<RigFixtureView> without,
        List<RigFixtureView> idle,
        List<FateView> fates,
        List<String> said,
        boolean photometry) {

    record RigFixtureView(int number, String name, String type, String position, String purpose) {

        static RigFixtureView of(Show show, Fixture f) {
            return new RigFixtureView(
                    f.number(), f.name(), show.patch().profileOf(f).name(), f.position(), f.purpose());
        }
    }

    /** @param by what told that they belong together; @param sure whether nobody need look at it */
    record PairView(RigFixtureView was, RigFixtureView is, String by, boolean sure) {}

    /** @param verdict carries, anew, nearest or lost */
    record FateLineView(int units, String types, String verdict, String words) {}

    /** @param sort mark, group, palette, effect or look; @param counts units by verdict */
    record FateView(
            String sort, String label, int units, String worst, Map<String, Integer> counts, List<FateLineView> lines) {

        static FateView of(Fate fate) {
            return new FateView(
                    fate.sort().name().toLowerCase(java.util.Locale.ROOT),
                    fate.label(),
                    fate.units(),
                    word(fate.worst()),
                    fate.counts().entrySet().stream()
                            .collect(Collectors.toMap(e -> word(e.getKey()), Map.Entry::getValue)),
                    fate.lines().stream()
                            .map(l -> new FateLineView(l.units(), l.types(), word(l.verdict()), l.words()))
                            .toList());
        }
    }

    private static String word(Verdict verdict) {
        return verdict.name().toLowerCase(java.util.Locale.ROOT);
    }

    static RigMoveView of(Show from, Show rig, Pairing pairing, RigReport report) {
        Set<FixtureId> without = Set.copyOf(report.without());
        Set<FixtureId> taken = pairing.taken().collect(Collectors.toSet());
        return new RigMoveView(
                pairing.pairs().stream().map(p -> pair(from, rig, p)).toList(),
                from.patch().fixtures().stream()
                        .filter(f -> without.contains(f.id()))
                        .map(f -> RigFixtureView.of(from, f))
                        .toList(),
                rig.patch().fixtures().stream()
                        .filter(f -> !taken.contains(f.id()))
                        .map(f -> RigFixtureView.of(rig, f))
                        .toList(),
                report.fates().stream().map(FateView::of).toList(),
                report.said(),
                Arrays.asList(from, rig).stream()
                        .allMatch(s -> s.profiles().all().stream()
                                .flatMap(p -> p.modes().stream())
                                .anyMatch(m -> m.beam().lumens() > 0)));
    }

    private static PairView pair(Show from, Show rig, Pair pair) {
        return new PairView(
                RigFixtureView.of(from, from.patch().get(pair.was())),
                RigFixtureView.of(rig, rig.patch().get(pair.is())),
                pair.by().words(),
                pair.by().sure());
    }
}
