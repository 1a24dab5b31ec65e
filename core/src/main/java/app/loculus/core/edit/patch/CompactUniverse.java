package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Closes the gaps of a universe from slot 1 on. The order stays, and what overlaps keeps overlapping as it did.
 */
public record CompactUniverse(int universe) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Patch patch = draft.show().patch();
        List<Claim> claims = patch.claims().getOrDefault(universe, List.of());
        if (claims.isEmpty()) {
            throw Refusal.of("patch.compact", "universe", "Universe " + universe + " is empty.");
        }
        Map<Integer, Integer> slots = newSlots(claims);
        Map<FixtureId, Fixture> moved = new LinkedHashMap<>();
        claims.forEach(c -> moved.computeIfAbsent(c.fixture().id(), id -> moved(c.fixture(), slots)));
        List<Fixture> changed = moved.values().stream()
                .filter(f -> !f.equals(patch.get(f.id())))
                .toList();
        int freed = claims.stream().mapToInt(Claim::last).max().orElse(0) - used(claims, slots);
        draft.putAll(changed);
        draft.say(
                changed.isEmpty()
                        ? "Universe " + universe + " has no gaps"
                        : "Compacts universe " + universe + ": " + Numbers.count(changed.size(), "fixture") + " move, "
                                + Numbers.count(freed, "slot") + " free at its end");
        changed.forEach(f -> draft.say(f.number() + ": " + where(patch.get(f.id())) + " → " + where(f)));
    }

    /** New first slot by old one; claims that overlap move as one. */
    private static Map<Integer, Integer> newSlots(List<Claim> sorted) {
        Map<Integer, Integer> slots = new HashMap<>();
        int next = 1;
        int end = 0;
        int shift = 0;
        for (Claim claim : sorted) {
            if (claim.first() > end) {
                shift = claim.first() - next;
            }
            slots.put(claim.first(), claim.first() - shift);
            end = Math.max(end, claim.last());
            next = end - shift + 1;
        }
        return slots;
    }

    private static int used(List<Claim> claims, Map<Integer, Integer> slots) {
        return claims.stream()
                .mapToInt(c -> slots.get(c.first()) + c.slots() - 1)
                .max()
                .orElse(0);
    }

    private String where(Fixture fixture) {
        return fixture.addresses().stream()
                .map(PatchedAddress::address)
                .filter(a -> a.universe() == universe)
                .map(Address::toString)
                .collect(Collectors.joining(" + "));
    }

    private Fixture moved(Fixture fixture, Map<Integer, Integer> slots) {
        List<PatchedAddress> addresses = new ArrayList<>();
        for (PatchedAddress a : fixture.addresses()) {
            boolean here = a.address().universe() == universe;
            Address at = here
                    ? new Address(
                            universe,
                            slots.getOrDefault(a.address().slot(), a.address().slot()))
                    : a.address();
            addresses.add(new PatchedAddress(a.breakNumber(), at, a.shared()));
        }
        return fixture.at(addresses);
    }
}
