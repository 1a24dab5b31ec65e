package app.loculus.core.show;

import app.loculus.core.group.Group;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.profile.Profiles;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.value.AttributeValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
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
        keepValues(draft);
        draft.putAll(changed);
        at.ifPresent(a ->
                new PatchFixtures(numbers(changed), Optional.empty(), Optional.of(a), 0, false, clashing).on(draft));
        leaveCells(draft);
        List<ProfileId> old =
                fixtures.stream().map(id -> before.get(id).profile()).distinct().toList();
        carryPalettes(draft, before);
        old.forEach(p -> retire(draft, p));
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
        return " to \"" + to.profile().fullName() + " / " + to.mode().name() + "\"";
    }

    private void keepValues(Draft draft) {
        Map<UnitId, UnitValues> kept = new LinkedHashMap<>();
        Set<String> lost = new LinkedHashSet<>();
        int stay = 0;
        Set<FixtureId> these = Set.copyOf(fixtures);
        for (Map.Entry<UnitId, UnitValues> e :
                draft.show().programmer().values().entrySet()) {
            if (these.contains(e.getKey().fixture())) {
                Map<Attribute, Touched> staying = new LinkedHashMap<>();
                e.getValue().byAttribute().forEach((attribute, touched) -> {
                    if (fits(e.getKey().cell(), attribute, touched.value())) {
                        staying.put(attribute, touched);
                    } else {
                        lost.add(attribute.name());
                    }
                });
                stay += staying.size();
                kept.put(e.getKey(), new UnitValues(staying));
            }
        }
        draft.setAll(kept);
        if (stay > 0) {
            draft.say(Numbers.count(stay, "working value") + (stay == 1 ? " carries" : " carry") + " over");
        }
        if (!lost.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.values",
                    "selection",
                    "Working values that the new mode has no place for are dropped: " + String.join(", ", lost) + "."));
        }
    }

    private boolean fits(int cell, Attribute attribute, AttributeValue value) {
        Mode mode = to.mode();
        return mode.parameter(cell, attribute)
                .map(p -> !(value instanceof AttributeValue.Named)
                        || value.in(value.functionOf(mode, p)).isPresent())
                .orElse(false);
    }

    /** Groups keep the fixtures; cells that the new mode does not have leave. */
    private void leaveCells(Draft draft) {
        Set<FixtureId> these = Set.copyOf(fixtures);
        List<String> names = new ArrayList<>();
        for (Group group : draft.show().groups()) {
            List<UnitId> gone = group.content().selection().units().stream()
                    .filter(u ->
                            these.contains(u.fixture()) && u.cell() > to.mode().cells())
                    .toList();
            if (!gone.isEmpty()) {
                draft.put(group.holding(
                        group.content().filtered(s -> s.minus(app.loculus.core.selection.Selection.of(gone)))));
                names.add("group " + group.number() + " “" + group.name() + "”");
            }
        }
        List<String> staying = draft.show().groups().stream()
                .filter(g -> g.content().selection().units().stream().anyMatch(u -> these.contains(u.fixture())))
                .map(g -> g.number() + " “" + g.name() + "”")
                .toList();
        if (!staying.isEmpty()) {
            draft.say((staying.size() == 1 ? "Group " : "Groups ")
                    + String.join(", ", staying)
                    + (staying.size() == 1 ? " keeps them" : " keep them"));
        }
        List<UnitId> held = draft.show().hand().selection().units().stream()
                .filter(u -> these.contains(u.fixture()) && u.cell() > to.mode().cells())
                .toList();
        if (!held.isEmpty()) {
            draft.hold(draft.show().hand().without(app.loculus.core.selection.Selection.of(held)));
        }
        if (!names.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.cells", "selection", "Cells that no longer exist leave " + String.join(", ", names) + "."));
        }
    }

    /** Per-type values are carried to the new type where it has none; what cannot be used there is named. */
    private void carryPalettes(Draft draft, Patch before) {
        Set<FixtureId> these = Set.copyOf(fixtures);
        Set<ProfileId> old =
                fixtures.stream().map(id -> before.get(id).profile()).collect(Collectors.toSet());
        List<String> whole = new ArrayList<>();
        List<String> lacking = new ArrayList<>();
        for (Palette palette : draft.show().palettes()) {
            Set<String> lost = new LinkedHashSet<>();
            boolean any = false;
            List<Entry> entries = new ArrayList<>(palette.entries());
            for (Entry e : palette.entries()) {
                Optional<ScopeKey> carried = carried(e.scope(), these, old, before);
                if (carried.isPresent()) {
                    any = true;
                    if (!fitsAnywhere(e)) {
                        lost.add(e.attribute().name());
                    } else if (!carried.get().equals(e.scope())
                            && palette.entries(carried.get()).get(e.attribute()) == null) {
                        entries.add(new Entry(carried.get(), e.attribute(), e.value(), e.companion()));
                    }
                }
            }
            if (entries.size() > palette.entries().size()) {
                draft.put(palette.holding(entries));
            }
            if (any) {
                (lost.isEmpty() ? whole : lacking)
                        .add(palette + (lost.isEmpty() ? "" : " (" + String.join(", ", lost) + ")"));
            }
        }
        if (!whole.isEmpty()) {
            draft.say(Numbers.count(whole.size(), "palette") + (whole.size() == 1 ? " carries" : " carry") + " over: "
                    + String.join(", ", whole));
        }
        if (!lacking.isEmpty()) {
            draft.warn(Problem.warning(
                    "type.palettes",
                    "selection",
                    "Not usable in the new mode, though kept: " + String.join(", ", lacking) + "."));
        }
    }

    private Optional<ScopeKey> carried(ScopeKey scope, Set<FixtureId> these, Set<ProfileId> old, Patch before) {
        if (scope instanceof ScopeKey.Unit u) {
            return these.contains(u.unit().fixture()) ? Optional.of(scope) : Optional.empty();
        }
        if (scope instanceof ScopeKey.Type t) {
            return old.contains(t.profile())
                    ? Optional.of(new ScopeKey.Type(to.profile().id()))
                    : Optional.empty();
        }
        if (scope instanceof ScopeKey.TypeMode m) {
            boolean ours = fixtures.stream()
                    .map(before::get)
                    .anyMatch(f -> f.profile().equals(m.profile()) && f.mode().equals(m.mode()));
            return ours
                    ? Optional.of(
                            new ScopeKey.TypeMode(to.profile().id(), to.mode().name()))
                    : Optional.empty();
        }
        return Optional.empty();
    }

    private boolean fitsAnywhere(Entry e) {
        for (int cell = 0; cell <= to.mode().cells(); cell++) {
            if (fits(cell, e.attribute(), e.value())) {
                return true;
            }
        }
        return false;
    }

    /** The show lets go of a profile that nothing uses any more; palettes forget it too. */
    private void retire(Draft draft, ProfileId old) {
        boolean used = old.equals(to.profile().id())
                || draft.show().patch().fixtures().stream()
                        .anyMatch(f -> f.profile().equals(old));
        if (used) {
            return;
        }
        for (Palette palette : draft.show().palettes()) {
            List<Entry> kept = palette.entries().stream()
                    .filter(e -> !isOf(e.scope(), old))
                    .toList();
            if (kept.size() < palette.entries().size()) {
                draft.put(palette.holding(kept));
            }
        }
        draft.show()
                .profiles()
                .find(old)
                .ifPresent(p -> draft.change(new Change.OfProfile(old, Optional.of(p), Optional.empty())));
    }

    private static boolean isOf(ScopeKey scope, ProfileId profile) {
        return scope instanceof ScopeKey.Type t && t.profile().equals(profile)
                || scope instanceof ScopeKey.TypeMode m && m.profile().equals(profile);
    }
}
