package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.GapFinder;
import app.loculus.core.patch.Landing;
import app.loculus.core.patch.Layout;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.patch.RunOn;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import app.loculus.core.unit.Quoted;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Creates fixtures, gives them addresses, or both; moves what is already patched.
 *
 * @param numbers in the order in which addresses run on
 * @param type for numbers that do not exist yet; existing ones must be of it
 * @param start where the first one lands; without it nothing is addressed
 * @param gap free slots between footprints
 * @param also add an address instead of moving
 * @param clashing what to do where slots are claimed already
 * @param layout how addresses are given out from the start on
 */
public record PatchFixtures(
        List<Integer> numbers,
        Optional<Profiles.Type> type,
        Optional<Address> start,
        int gap,
        boolean also,
        Clashing clashing,
        Layout layout)
        implements ShowEdit {

    /** Running on by footprint. */
    public PatchFixtures(
            List<Integer> numbers,
            Optional<Profiles.Type> type,
            Optional<Address> start,
            int gap,
            boolean also,
            Clashing clashing) {
        this(numbers, type, start, gap, also, clashing, Layout.RUNNING_ON);
    }

    /** What to do where another fixture claims the slots. */
    public enum Clashing {
        REFUSE,
        SHARE,
        TAKE_OVER
    }

    @Override
    public void on(Draft draft) {
        List<Fixture> fixtures = fixtures(draft);
        type.ifPresent(t -> draft.take(t.profile()));
        if (start.isEmpty()) {
            draft.putAll(fixtures);
            draft.say(Numbers.count(fixtures.size(), "fixture") + " without an address");
            return;
        }
        land(draft, fixtures);
    }

    private List<Fixture> fixtures(Draft draft) {
        Patch patch = draft.show().patch();
        Problems problems = new Problems();
        List<Fixture> found = new ArrayList<>();
        int nextId = patch.nextId().value();
        Set<Integer> named = new HashSet<>();
        for (int number : numbers) {
            Optional<Fixture> existing = patch.numbered(number);
            if (!named.add(number)) {
                problems.add(Problem.refusal("patch.twice", "numbers", "Number " + number + " is named twice."));
            } else if (existing.isPresent()) {
                check(patch, existing.get(), problems);
                found.add(existing.get());
            } else if (type.isPresent()) {
                found.add(created(number, new FixtureId(nextId++)));
            } else if (!layout.leavesMissing()) {
                problems.add(missing(number));
            }
        }
        problems.throwIfRefused();
        tellMissing(draft, numbers.size() - found.size(), found.isEmpty());
        return found;
    }

    /** One to one over a range leaves numbers without a fixture alone, unless it is to create them. */
    private void tellMissing(Draft draft, int missing, boolean all) {
        if (all) {
            throw Refusal.of(
                    "patch.missing",
                    "numbers",
                    "None of these numbers has a fixture yet.",
                    WayOut.advice("Add as \"Name / Mode\" to create them."));
        }
        if (missing > 0) {
            draft.warn(Problem.warning(
                    "patch.missing",
                    "numbers",
                    Numbers.count(missing, "number") + " without a fixture " + (missing == 1 ? "stays" : "stay")
                            + " so."));
        }
    }

    private void check(Patch patch, Fixture existing, Problems problems) {
        if (type.isEmpty()) {
            return;
        }
        boolean same = existing.profile().equals(type.get().profile().id())
                && existing.mode().equals(type.get().mode().name());
        if (!same || start.isEmpty()) {
            Profiles.Type is = new Profiles.Type(patch.profileOf(existing), patch.modeOf(existing));
            problems.add(Problem.refusal(
                    "patch.exists",
                    "numbers",
                    "Fixture " + existing.number() + " exists already, as " + is + ".",
                    WayOut.advice("Leave the profile out to move it, or use another number; the next free one is "
                            + patch.nextFree() + ".")));
        }
    }

    private static Problem missing(int number) {
        return Problem.refusal(
                "patch.missing",
                "numbers",
                "There is no fixture " + number + ".",
                WayOut.advice("Say what it is to create it: patch " + number + " as \"Name / Mode\" at 1.1"));
    }

    private Fixture created(int number, FixtureId id) {
        Profiles.Type t = type.orElseThrow();
        String name = t.profile().name() + " " + number;
        return new Fixture(id, number, name, t.profile().id(), t.mode().name(), List.of(), Optional.empty(), "", "");
    }

    private void land(Draft draft, List<Fixture> fixtures) {
        Patch known = withTypes(draft.show().patch());
        fixtures.stream()
                .filter(f -> known.modeOf(f).footprint().isEmpty())
                .findFirst()
                .ifPresent(f -> {
                    throw slotless(f);
                });
        Landing landing = layout.of(known, fixtures, start.get(), gap);
        Patch others = also ? known : known.changed(known.profiles(), List.of(), unpatched(known, fixtures));
        List<Fixture> landed =
                fixtures.stream().map(f -> landed(known, f, landing)).toList();
        List<Fixture> taken = clashing(known, others, landed);
        List<Fixture> all = new ArrayList<>(landed);
        all.addAll(taken);
        tellTwice(draft, landed);
        tell(draft, known, landed, landing);
        tellMoved(draft, fixtures);
        taken.forEach(f -> draft.warn(Problem.warning(
                "patch.taken",
                "address",
                "Fixture " + f.number() + " loses that address" + (f.patched() ? "." : " and is unpatched."))));
        draft.putAll(all);
    }

    /** What has an address already moves: that must not read like a new patch. */
    private void tellMoved(Draft draft, List<Fixture> fixtures) {
        List<Fixture> moved = fixtures.stream()
                .filter(f -> f.patched() && draft.show().patch().find(f.id()).isPresent())
                .toList();
        if (!also && type.isPresent() && !moved.isEmpty()) {
            draft.warn(Problem.warning(
                    "patch.moves",
                    "numbers",
                    Numbers.text(moved.stream().map(Fixture::number).toList())
                            + (moved.size() == 1
                                    ? " exists already and moves there from "
                                    : " exist already and move there, ")
                            + (moved.size() == 1 ? "" : "the first from ")
                            + moved.get(0).addresses().get(0).address() + "."));
        }
    }

    private static Refusal slotless(Fixture fixture) {
        return Refusal.of(
                "patch.slotless",
                "address",
                "Fixture " + fixture.number() + " has no slots in “" + fixture.mode() + "”, so it has no address.",
                WayOut.advice("Leave the address out to have it without one, or choose another mode."));
    }

    private Patch withTypes(Patch patch) {
        return type.map(t -> patch.changed(patch.profiles().with(t.profile()), List.of(), List.of()))
                .orElse(patch);
    }

    private static List<Fixture> unpatched(Patch patch, List<Fixture> fixtures) {
        return fixtures.stream()
                .filter(f -> patch.find(f.id()).isPresent())
                .map(f -> f.at(List.of()))
                .toList();
    }

    private Fixture landed(Patch patch, Fixture fixture, Landing landing) {
        List<PatchedAddress> addresses = new ArrayList<>(also ? fixture.addresses() : List.of());
        Iterator<Address> own = landing.addresses().get(fixture.id()).iterator();
        for (int number : patch.modeOf(fixture).footprint().keySet()) {
            PatchedAddress plain = new PatchedAddress(number, own.next(), false);
            boolean granted = clashing == Clashing.SHARE
                    || fixture.addresses().stream().anyMatch(a -> a.sameAs(plain) && a.shared());
            addresses.removeIf(plain::sameAs);
            addresses.add(new PatchedAddress(number, plain.address(), granted));
        }
        return fixture.at(addresses);
    }

    /** Adding an address that a fixture has already adds nothing. */
    private void tellTwice(Draft draft, List<Fixture> landed) {
        for (Fixture fixture : landed) {
            boolean nothingNew = draft.show()
                    .patch()
                    .find(fixture.id())
                    .filter(was -> was.addresses().equals(fixture.addresses()))
                    .isPresent();
            if (also && nothingNew) {
                draft.warn(Problem.warning(
                        "patch.already", "address", "Fixture " + fixture.number() + " has that address already."));
            }
        }
    }

    /** Refuses clashes, or answers the fixtures that lose an address to this edit. */
    private List<Fixture> clashing(Patch known, Patch others, List<Fixture> landed) {
        Map<FixtureId, Fixture> losing = new LinkedHashMap<>();
        Problems problems = new Problems();
        Patch after = others.changed(others.profiles(), List.of(), landed);
        for (Fixture fixture : landed) {
            for (Claim wanted : after.claimsOf(fixture)) {
                after.inTheWayOf(wanted).stream()
                        .filter(c -> clashing == Clashing.TAKE_OVER || !Clashes.metBefore(known, wanted, c))
                        .forEach(c -> settle(wanted, c, losing, problems));
            }
        }
        if (problems.refuse()) {
            withWaysOut(problems, others, landed).throwIfRefused();
        }
        return List.copyOf(losing.values());
    }

    private void settle(Claim wanted, Claim other, Map<FixtureId, Fixture> losing, Problems problems) {
        if (clashing == Clashing.TAKE_OVER) {
            Fixture loser = losing.getOrDefault(other.fixture().id(), other.fixture());
            List<PatchedAddress> kept = loser.addresses().stream()
                    .filter(a -> !a.equals(other.at()))
                    .toList();
            losing.put(loser.id(), loser.at(kept));
        } else if (clashing == Clashing.REFUSE) {
            problems.add(Clashes.between(wanted, other));
        }
    }

    private Problems withWaysOut(Problems found, Patch others, List<Fixture> landed) {
        Problem first = found.all().get(0);
        List<WayOut> ways = new ArrayList<>();
        Optional<Address> room = layout.equals(Layout.RUNNING_ON) ? roomFor(others, landed) : Optional.empty();
        room.ifPresent(a -> ways.add(WayOut.line("Move to " + a, line(Optional.of(a)))));
        ways.add(WayOut.line("Share the slots", line(start) + " share"));
        ways.add(WayOut.line("Take the address over", line(start) + " take over"));
        Problems out = new Problems();
        out.add(new Problem(first.code(), first.severity(), first.place(), first.words(), ways));
        found.all().stream().skip(1).limit(MOST_TOLD - 1).forEach(out::add);
        return out;
    }

    /** How many clashes of one edit are spelled out. */
    private static final int MOST_TOLD = 8;

    private Optional<Address> roomFor(Patch others, List<Fixture> landed) {
        return roomFor(others, landed, start.orElseThrow(), gap);
    }

    /** The first address from the start on where the whole run lands without a clash. */
    public static Optional<Address> roomFor(Patch others, List<Fixture> landed, Address start, int gap) {
        List<Integer> footprints = landed.stream()
                .flatMap(f -> others.modeOf(f).footprint().values().stream())
                .toList();
        GapFinder gaps = new GapFinder(others);
        Optional<Address> at = gaps.next(start, footprints.get(0), Optional.empty());
        for (int tries = 0; at.isPresent() && tries < Address.SLOTS; tries++) {
            Optional<Address> blocked = firstBlocked(gaps, at.get(), footprints, gap);
            if (blocked.isEmpty()) {
                return at;
            }
            at = gaps.next(blocked.get(), footprints.get(0), Optional.empty());
        }
        return Optional.empty();
    }

    /** Where a run from here meets a claim: the free place behind it. */
    private static Optional<Address> firstBlocked(GapFinder gaps, Address from, List<Integer> footprints, int gap) {
        RunOn run = new RunOn(from, gap);
        for (int slots : footprints) {
            Address wanted = run.take(slots);
            Optional<Address> free = gaps.next(wanted, slots, Optional.empty());
            if (free.isEmpty() || !free.get().equals(wanted)) {
                return free;
            }
        }
        return Optional.empty();
    }

    /** This edit as the line would write it, at another start. */
    private String line(Optional<Address> at) {
        return "patch " + Numbers.text(numbers)
                + type.map(t -> " as "
                                + Quoted.of(t.profile().fullName() + " / "
                                        + t.mode().name()))
                        .orElse("")
                + at.map(a -> " at " + a).orElse("")
                + layout.line()
                + (gap > 0 ? " gap " + gap : "")
                + (also ? " also" : "");
    }

    private void tell(Draft draft, Patch patch, List<Fixture> landed, Landing landing) {
        List<Claim> claims = landed.stream()
                .flatMap(f -> patch.claimsOf(f).stream().filter(c -> isNew(patch, c)))
                .toList();
        if (claims.isEmpty()) {
            draft.say("Nothing changes");
            return;
        }
        draft.say(landed.size() + " × " + slots(patch, landed) + " · " + Spans.text(claims));
        layout.words().ifPresent(draft::say);
        landing.crossings()
                .forEach(a -> draft.say(
                        "Runs on into universe " + a.universe() + ": a footprint never straddles two universes."));
    }

    private boolean isNew(Patch patch, Claim claim) {
        return !also
                || patch.find(claim.fixture().id())
                        .map(f -> !f.addresses().contains(claim.at()))
                        .orElse(true);
    }

    private static String slots(Patch patch, List<Fixture> landed) {
        List<Integer> sizes =
                landed.stream().map(f -> patch.modeOf(f).slots()).distinct().toList();
        return sizes.size() == 1 ? Numbers.count(sizes.get(0), "slot") : "various slots";
    }
}
