package app.loculus.core.patch;

import app.loculus.core.problem.WayOut;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** How a clash is told, and what can be done about it. */
public final class ClashWords {

    /** More fixtures than this are counted. */
    private static final int MOST_NAMED = 6;

    /** Members that are weighed against each other for the ways out. */
    private static final int MOST_WEIGHED = 60;

    private final Patch patch;
    private final GapFinder gaps;

    public ClashWords(Patch patch) {
        this.patch = patch;
        this.gaps = new GapFinder(patch);
    }

    /** A sentence that names the slots and who claims them. */
    public String words(Clash clash) {
        List<Integer> numbers = clash.numbers();
        String who = clash.members().stream()
                .map(Claim::fixture)
                .distinct()
                .limit(MOST_NAMED)
                .map(f -> patch.profileOf(f).name() + " " + f.number())
                .collect(Collectors.joining(numbers.size() == 2 ? " and " : ", "));
        String more = numbers.size() > MOST_NAMED ? " and " + (numbers.size() - MOST_NAMED) + " more" : "";
        return clash.span() + " is claimed " + (numbers.size() == 2 ? "twice" : numbers.size() + " times") + ": " + who
                + more + (clash.shared() ? ", shared on purpose." : ".");
    }

    /** Moving one of those who meet the most others, sharing, taking over, or taking its address away. */
    public List<WayOut> waysOut(Clash clash) {
        List<WayOut> ways = new ArrayList<>();
        List<Claim> worst = worstFirst(clash);
        worst.stream().limit(2).forEach(c -> move(c).ifPresent(ways::add));
        if (!clash.shared()) {
            ways.addAll(stay(worst.get(0)));
        }
        int number = worst.get(0).fixture().number();
        ways.add(WayOut.line("Unpatch " + number, "unpatch " + number));
        return ways;
    }

    /** Staying where it is, by sharing or by taking over; for one whose breaks would run on it is no single line. */
    private List<WayOut> stay(Claim claim) {
        Fixture fixture = claim.fixture();
        if (patch.modeOf(fixture).footprint().size() > 1) {
            return List.of();
        }
        String line = "patch " + fixture.number() + " at " + claim.at().address()
                + (fixture.addresses().size() > 1 ? " also" : "");
        return List.of(
                WayOut.line("Share the slots", line + " share"),
                WayOut.line("Let " + fixture.number() + " take over", line + " take over"));
    }

    /** One claim a fixture; of those who meet equally many, the later one comes first. */
    private static List<Claim> worstFirst(Clash clash) {
        List<Claim> some = clash.members().stream().limit(MOST_WEIGHED).toList();
        Map<Integer, Claim> byFixture = new LinkedHashMap<>();
        for (int i = some.size() - 1; i >= 0; i--) {
            byFixture.putIfAbsent(some.get(i).fixture().number(), some.get(i));
        }
        return byFixture.values().stream()
                .sorted(Comparator.comparingLong((Claim c) -> met(c, some)).reversed())
                .toList();
    }

    private static long met(Claim claim, List<Claim> others) {
        return others.stream()
                .filter(o -> !o.fixture().id().equals(claim.fixture().id()) && o.overlaps(claim))
                .count();
    }

    private Optional<WayOut> move(Claim claim) {
        int number = claim.fixture().number();
        return gaps.next(
                        new Address(claim.universe(), 1),
                        patch.modeOf(claim.fixture()).slots(),
                        Optional.of(claim.fixture().id()))
                .map(a -> WayOut.line("Move " + number + " to " + a, "patch " + number + " at " + a));
    }
}
