package app.loculus.core.check;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.GapFinder;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** A rig with faults to practise on, and how findings compare with them. */
public final class PracticeRig {

    private final Patch patch;
    private final Random random;
    private final Set<Integer> used = new LinkedHashSet<>();
    private final Map<Integer, PracticeFault> faults = new LinkedHashMap<>();

    private PracticeRig(Patch patch, long seed) {
        this.patch = patch;
        this.random = new Random(seed);
    }

    /**
     * One of each kind that the patch allows: dead, at a wrong address, in a wrong mode, a swapped pair; and what no light
     * shows: two with one identity, and something that nobody has patched.
     */
    public static List<PracticeFault> draw(Patch patch, long seed) {
        PracticeRig rig = new PracticeRig(patch, seed);
        rig.swapped();
        rig.mode();
        rig.dead();
        rig.address();
        rig.doubled();
        rig.stray();
        return List.copyOf(rig.faults.values());
    }

    private List<Fixture> candidates() {
        List<Fixture> all = new ArrayList<>(patch.fixtures().stream()
                .filter(f -> f.patched() && !used.contains(f.number()))
                .toList());
        Collections.shuffle(all, random);
        return all;
    }

    private void put(PracticeFault fault) {
        used.add(fault.number());
        faults.put(fault.number(), fault);
    }

    private static Address first(Fixture f) {
        return f.addresses().get(0).address();
    }

    private void dead() {
        candidates().stream().findFirst().ifPresent(f -> put(PracticeFault.dead(f.number(), "dead: no light at all")));
    }

    private void address() {
        candidates().stream().findFirst().ifPresent(f -> {
            int slots =
                    patch.modeOf(f).footprint().values().stream().findFirst().orElse(1);
            Address own = first(f);
            int wrong = own.slot() + 10 + slots <= Address.SLOTS ? own.slot() + 10 : Math.max(1, own.slot() - 10);
            Address at = new Address(own.universe(), wrong);
            put(PracticeFault.at(f.number(), at, "set to " + at + " instead of " + own));
        });
    }

    /** Two on different lines: on one line they could not be read. */
    private void doubled() {
        List<Fixture> all = candidates();
        for (Fixture one : all) {
            Optional<Fixture> other = all.stream()
                    .filter(o -> first(o).universe() != first(one).universe())
                    .findFirst();
            if (other.isPresent()) {
                int twin = other.get().number();
                put(PracticeFault.doubling(one.number(), twin, "its device has the identity of that of " + twin));
                used.add(twin);
                return;
            }
        }
    }

    private void stray() {
        for (Fixture f : candidates()) {
            int slots = patch.modeOf(f).slots();
            Optional<Address> free = new GapFinder(patch)
                    .next(new Address(first(f).universe(), 1), slots, Optional.empty())
                    .filter(a -> a.universe() == first(f).universe());
            if (free.isPresent()) {
                put(PracticeFault.beside(
                        f.number(), free.get(), "another one of its type hangs at " + free.get() + ", not patched"));
                return;
            }
        }
    }

    private void mode() {
        for (Fixture f : candidates()) {
            Optional<Mode> other = patch.profileOf(f).modes().stream()
                    .filter(m -> !m.name().equals(f.mode()) && m.footprint().size() == 1 && first(f).fits(m.slots()))
                    .findFirst();
            if (other.isPresent()) {
                put(PracticeFault.in(
                        f.number(),
                        other.get().name(),
                        "in mode “" + other.get().name() + "” instead of “" + f.mode() + "”"));
                return;
            }
        }
    }

    private void swapped() {
        List<Fixture> all = candidates();
        for (Fixture one : all) {
            Optional<Fixture> other = all.stream()
                    .filter(o -> !o.id().equals(one.id())
                            && o.profile().equals(one.profile())
                            && o.mode().equals(one.mode()))
                    .filter(o -> Math.abs(o.number() - one.number()) <= 3)
                    .findFirst();
            if (other.isPresent()) {
                Fixture two = other.get();
                String words = "swapped with ";
                put(PracticeFault.at(one.number(), first(two), words + two.number()));
                put(PracticeFault.at(two.number(), first(one), words + one.number()));
                return;
            }
        }
    }

    /** How one finding compares with the truth. */
    public enum Verdict {
        FOUND,
        /** Noticed, but called something else. */
        HALF,
        /** No light shows it; its device tells. */
        BY_DEVICE,
        MISSED,
        FALSE_ALARM
    }

    /** A fixture on which finding and truth can be compared. */
    public record Finding(int number, Verdict verdict, String words) {}

    /** The marks in the patch against what was really wrong, by number. */
    public static List<Finding> compare(Patch patch, List<PracticeFault> truth) {
        Map<Integer, PracticeFault> wrong = new LinkedHashMap<>();
        truth.forEach(f -> wrong.put(f.number(), f));
        List<Finding> findings = new ArrayList<>();
        for (Fixture f : patch.fixtures()) {
            BringUp.Answer said = f.bringUp().answer();
            boolean complains = said == BringUp.Answer.WRONG || said == BringUp.Answer.DEAD;
            PracticeFault fault = wrong.get(f.number());
            if (fault != null) {
                Verdict verdict = fault.shines() ? verdict(fault, said) : Verdict.BY_DEVICE;
                findings.add(new Finding(f.number(), verdict, fault.words()));
            } else if (complains && !disturbed(patch, f, truth)) {
                findings.add(new Finding(f.number(), Verdict.FALSE_ALARM, "nothing is wrong with it"));
            }
        }
        return findings;
    }

    private static Verdict verdict(PracticeFault fault, BringUp.Answer said) {
        if (said == BringUp.Answer.NOT_TRIED || said == BringUp.Answer.ANSWERED) {
            return Verdict.MISSED;
        }
        return fault.dead() == (said == BringUp.Answer.DEAD) ? Verdict.FOUND : Verdict.HALF;
    }

    /** Whether a fixture that hangs wrong lights up together with this one. */
    private static boolean disturbed(Patch patch, Fixture fixture, List<PracticeFault> truth) {
        List<Claim> own = patch.claimsOf(fixture);
        return truth.stream()
                .filter(t -> t.address().isPresent() || t.mode().isPresent())
                .anyMatch(t -> {
                    Fixture other = patch.number(t.number());
                    Address at = t.address().orElse(first(other));
                    int slots = t.mode()
                            .flatMap(m -> patch.profileOf(other).findMode(m))
                            .orElse(patch.modeOf(other))
                            .slots();
                    Claim there = new Claim(other, new PatchedAddress(1, at, false), slots);
                    return own.stream().anyMatch(there::overlaps);
                });
    }
}
