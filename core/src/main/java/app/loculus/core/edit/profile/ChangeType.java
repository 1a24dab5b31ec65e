package app.loculus.core.edit.profile;

import app.loculus.core.edit.patch.Clashes;
import app.loculus.core.edit.patch.PatchFixtures;
import app.loculus.core.edit.patch.TypeChange;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Makes fixtures another mode or another profile. Numbers, names, groups and places stay; every value whose attribute
 * the new mode has stays as well.
 *
 * @param at where they run on from; without it each keeps its addresses
 */
public record ChangeType(
        List<FixtureId> fixtures, Profiles.Type to, Optional<Address> at, PatchFixtures.Clashing clashing)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Patch before = draft.show().patch();
        draft.take(to.profile());
        List<Fixture> changed =
                fixtures.stream().map(before::get).map(this::changed).toList();
        tellFootprint(draft, before, changed);
        if (at.isEmpty()) {
            settle(draft, before, changed);
        }
        Map<FixtureId, Profiles.Type> types = new LinkedHashMap<>();
        fixtures.forEach(id -> types.put(id, to));
        TypeChange.follow(draft, types);
        draft.putAll(changed);
        at.ifPresent(a ->
                new PatchFixtures(numbers(changed), Optional.empty(), Optional.of(a), 0, false, clashing).on(draft));
    }

    private static List<Integer> numbers(List<Fixture> all) {
        return all.stream().map(Fixture::number).toList();
    }

    private Fixture changed(Fixture fixture) {
        Set<Integer> breaks = to.mode().footprint().keySet();
        List<PatchedAddress> kept = fixture.addresses().stream()
                .filter(a -> breaks.contains(a.breakNumber()) && at.isEmpty())
                .map(a -> clashing == PatchFixtures.Clashing.SHARE
                        ? new PatchedAddress(a.breakNumber(), a.address(), true)
                        : a)
                .toList();
        return fixture.as(to.profile().id(), to.mode().name()).at(kept);
    }

    private void tellFootprint(Draft draft, Patch before, List<Fixture> changed) {
        String from = fixtures.stream()
                .map(id -> String.valueOf(before.modeOf(before.get(id)).slots()))
                .distinct()
                .collect(Collectors.joining("/"));
        draft.say("Changes " + Numbers.count(changed.size(), "fixture") + " to " + to + ": " + from + " → "
                + Numbers.count(to.mode().slots(), "slot"));
        boolean newBreak = changed.stream()
                .anyMatch(f -> f.patched()
                        && f.addresses().stream()
                                        .map(PatchedAddress::breakNumber)
                                        .distinct()
                                        .count()
                                < to.mode().footprint().size());
        if (newBreak && at.isEmpty()) {
            draft.warn(Problem.warning(
                    "patch.break", "profile", "The new mode has more breaks; the further ones have no address yet."));
        }
    }

    private void settle(Draft draft, Patch before, List<Fixture> changed) {
        Patch known = draft.show().patch();
        Patch after = known.changed(known.profiles(), List.of(), changed);
        Problems found = Clashes.of(before, after, changed);
        boolean straddles = found.all().stream().anyMatch(p -> p.code().equals("patch.straddle"));
        if (found.refuse() && (clashing == PatchFixtures.Clashing.REFUSE || straddles)) {
            withWaysOut(found, after, changed, straddles).throwIfRefused();
        }
        if (clashing == PatchFixtures.Clashing.TAKE_OVER) {
            takeOver(draft, after, changed);
            // Those that change do not take from one another.
            Patch left = draft.show().patch();
            Clashes.of(before, left.changed(left.profiles(), List.of(), changed), changed)
                    .throwIfRefused();
        }
    }

    private static void takeOver(Draft draft, Patch after, List<Fixture> changed) {
        Map<FixtureId, Fixture> losing = new LinkedHashMap<>();
        changed.stream()
                .flatMap(f -> after.claimsOf(f).stream())
                .flatMap(c -> after.inTheWayOf(c).stream())
                .filter(c -> changed.stream()
                        .noneMatch(f -> f.id().equals(c.fixture().id())))
                .forEach(c -> {
                    Fixture loser = losing.getOrDefault(c.fixture().id(), c.fixture());
                    losing.put(
                            loser.id(),
                            loser.at(loser.addresses().stream()
                                    .filter(a -> !a.equals(c.at()))
                                    .toList()));
                });
        draft.putAll(List.copyOf(losing.values()));
        losing.values()
                .forEach(f -> draft.warn(
                        Problem.warning("patch.taken", "address", "Fixture " + f.number() + " loses that address.")));
    }

    private Problems withWaysOut(Problems found, Patch after, List<Fixture> changed, boolean straddles) {
        Patch without = after.changed(
                after.profiles(),
                List.of(),
                changed.stream().map(f -> f.at(List.of())).toList());
        Address from = changed.stream()
                .flatMap(f -> f.addresses().stream())
                .map(PatchedAddress::address)
                .min(Address::compareTo)
                .orElseThrow();
        List<WayOut> ways = new ArrayList<>();
        PatchFixtures.roomFor(without, changed, from, 0)
                .ifPresent(a -> ways.add(WayOut.line("Move to " + a, line() + " at " + a)));
        if (!straddles) {
            ways.add(WayOut.line("Share the slots", line() + " share"));
            ways.add(WayOut.line("Take the addresses over", line() + " take over"));
        }
        Problem first = found.all().get(0);
        Problems told = new Problems();
        told.add(new Problem(
                first.code(),
                first.severity(),
                first.place(),
                first.words(),
                ways.stream().map(w -> named(w, changed)).toList()));
        found.all().stream().skip(1).forEach(told::add);
        return told;
    }

    private static WayOut named(WayOut way, List<Fixture> changed) {
        return WayOut.line(
                way.words(),
                "change " + Numbers.text(numbers(changed)) + way.line().orElseThrow());
    }

    private String line() {
        return " to " + Quoted.of(to.profile().fullName() + " / " + to.mode().name());
    }
}
