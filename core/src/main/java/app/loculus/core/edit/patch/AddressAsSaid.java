package app.loculus.core.edit.patch;

import app.loculus.core.edit.patch.ReviseFixtures.Revision;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Occupancy;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.Starts;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Gives fixtures the addresses that a drawing or the devices have for them. Two of one type that are said to be at one
 * address share it; one that would run into another otherwise, or across the end of a universe, stays where it is, or
 * without an address: what is wrong there keeps nothing else out.
 *
 * @param as how it is done, in words: as drawn
 * @param problem code of what is told about those that stay
 * @param advice what to do about them
 */
public record AddressAsSaid(List<Revision> revisions, String as, String problem, String advice) implements ShowEdit {

    private static final int MOST_TOLD = 8;

    @Override
    public void on(Draft draft) {
        Patch patch = draft.show().patch();
        Map<Fixture, Starts> wanted = new LinkedHashMap<>();
        for (Revision r : revisions) {
            Optional<Fixture> fixture = patch.numbered(r.renumbered().orElse(r.number()));
            fixture.filter(f -> !r.starts()
                            .map(s -> s.says(patch.modeOf(f), f.addresses()))
                            .orElse(true))
                    .ifPresent(f -> wanted.put(f, r.starts().orElseThrow()));
        }
        if (wanted.isEmpty()) {
            return;
        }
        List<Fixture> lifted =
                wanted.keySet().stream().map(f -> f.at(List.of())).toList();
        Patch without = patch.changed(patch.profiles(), List.of(), lifted);
        Occupancy taken = new Occupancy(without);
        List<Fixture> landed = new ArrayList<>();
        List<String> told = new ArrayList<>();
        wanted.forEach((fixture, starts) -> {
            Fixture drawn = fixture.at(starts.allot(without.modeOf(fixture), false));
            Optional<String> hindrance = hindrance(without, taken, drawn);
            Fixture now = hindrance.isEmpty() ? shared(without, taken, drawn) : fallingBack(without, taken, fixture);
            hindrance.ifPresent(h -> told.add(fixture.number()
                    + (now.patched() ? " stays at " + Starts.of(now.addresses()) : " comes without an address") + ": "
                    + h + "."));
            without.claimsOf(now).forEach(taken::add);
            landed.add(now);
        });
        draft.putAll(landed);
        draft.say("Addresses " + Numbers.count(landed.size() - told.size(), "fixture") + " " + as);
        told.stream().limit(MOST_TOLD).forEach(words -> draft.warn(warning(words)));
        if (told.size() > MOST_TOLD) {
            draft.warn(
                    warning((told.size() - MOST_TOLD) + " more are not addressed " + as + ", for reasons like these."));
        }
    }

    private Problem warning(String words) {
        return Problem.warning(problem, "address", words, WayOut.advice(advice));
    }

    private static Optional<String> hindrance(Patch patch, Occupancy taken, Fixture drawn) {
        for (Claim claim : patch.claimsOf(drawn)) {
            if (claim.last() > Address.SLOTS) {
                return Optional.of(claim.at().address() + " leaves " + (Address.SLOTS - claim.first() + 1) + " of its "
                        + claim.slots() + " slots");
            }
            Optional<Claim> other = taken.inTheWayOf(claim);
            if (other.isPresent() && !alike(claim, other.get())) {
                return Optional.of(claim.span() + " runs into "
                        + other.get().fixture().number() + " at " + other.get().span());
            }
        }
        return Optional.empty();
    }

    private static boolean alike(Claim one, Claim other) {
        return one.first() == other.first()
                && one.slots() == other.slots()
                && one.fixture().profile().equals(other.fixture().profile())
                && one.fixture().mode().equals(other.fixture().mode());
    }

    private static Fixture shared(Patch patch, Occupancy taken, Fixture drawn) {
        boolean shares =
                patch.claimsOf(drawn).stream().anyMatch(c -> taken.inTheWayOf(c).isPresent());
        return shares
                ? drawn.at(drawn.addresses().stream()
                        .map(a -> new PatchedAddress(a.breakNumber(), a.address(), true))
                        .toList())
                : drawn;
    }

    /** Where it was, as long as nobody has come there; who shared already goes on sharing. */
    private static Fixture fallingBack(Patch patch, Occupancy taken, Fixture fixture) {
        boolean free = patch.claimsOf(fixture).stream()
                .allMatch(c -> c.at().shared() || taken.inTheWayOf(c).isEmpty());
        return free ? fixture : fixture.at(List.of());
    }
}
