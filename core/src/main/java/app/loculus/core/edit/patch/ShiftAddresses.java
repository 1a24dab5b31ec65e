package app.loculus.core.edit.patch;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Claim;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.GapFinder;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Problems;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.List;
import java.util.Optional;

/**
 * Moves a block on the output as it is, with the distances inside it.
 *
 * @param only of fixtures that have several addresses the one that lies there; all of them when absent
 * @param by slots to move, negative towards 1.1; unless {@code to} is given
 * @param to where the lowest address goes
 */
public record ShiftAddresses(List<FixtureId> fixtures, Optional<Address> only, int by, Optional<Address> to)
        implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Patch before = draft.show().patch();
        List<Fixture> patched =
                fixtures.stream().map(before::get).filter(Fixture::patched).toList();
        lowest(patched);
        int slots = to.map(a -> a.absolute() - lowest(patched)).orElse(by);
        List<Fixture> shifted = patched.stream().map(f -> shifted(f, slots)).toList();
        Patch after = before.changed(before.profiles(), List.of(), shifted);
        Problems problems = Clashes.of(before, after, shifted);
        withWayOut(problems, before, patched, slots).throwIfRefused();
        draft.putAll(shifted);
        List<Claim> claims =
                shifted.stream().flatMap(f -> after.claimsOf(f).stream()).toList();
        only.ifPresent(a -> draft.say("Moves the address " + a + " alone"));
        draft.say("Shifts " + Numbers.count(patched.size(), "fixture") + " by " + slots + " · " + Spans.text(claims));
    }

    private boolean meant(PatchedAddress address) {
        return only.map(a -> a.equals(address.address())).orElse(true);
    }

    private int lowest(List<Fixture> fixtures) {
        return fixtures.stream()
                .flatMap(f -> f.addresses().stream())
                .filter(this::meant)
                .mapToInt(a -> a.address().absolute())
                .min()
                .orElseThrow(() -> Refusal.of(
                        "patch.shift",
                        "selection",
                        only.map(a -> "None of these fixtures begins at " + a + ".")
                                .orElse("None of these fixtures has an address.")));
    }

    private Fixture shifted(Fixture fixture, int slots) {
        return fixture.at(fixture.addresses().stream()
                .map(a -> meant(a) ? new PatchedAddress(a.breakNumber(), moved(a.address(), slots), a.shared()) : a)
                .toList());
    }

    private static Address moved(Address address, int slots) {
        int absolute = address.absolute() + slots;
        if (absolute < 0) {
            throw Refusal.of("patch.shift", "address", address + " cannot move down by " + -slots + " slots.");
        }
        return Address.ofAbsolute(absolute);
    }

    /** Where a block that lies in one universe would fit as it is. */
    private Problems withWayOut(Problems problems, Patch before, List<Fixture> patched, int slots) {
        if (!problems.refuse()) {
            return problems;
        }
        List<Claim> claims = patched.stream()
                .flatMap(f -> before.claimsOf(f).stream())
                .filter(c -> meant(c.at()))
                .toList();
        Patch without = before.changed(
                before.profiles(),
                List.of(),
                patched.stream()
                        .map(f -> f.at(
                                f.addresses().stream().filter(a -> !meant(a)).toList()))
                        .toList());
        int start = lowest(patched);
        int end = claims.stream()
                .mapToInt(c -> c.at().address().absolute() + c.slots())
                .max()
                .orElse(start);
        Optional<Address> room = end - start > Address.SLOTS || start + slots < 0
                ? Optional.empty()
                : new GapFinder(without).next(Address.ofAbsolute(start + slots), end - start, Optional.empty());
        Problem first = problems.all().get(0);
        Problems told = new Problems();
        told.add(new Problem(
                first.code(),
                first.severity(),
                first.place(),
                first.words(),
                room.map(a -> List.of(WayOut.line("Shift it to " + a, line(before, a))))
                        .orElse(List.of())));
        problems.all().stream().skip(1).forEach(told::add);
        return told;
    }

    private String line(Patch patch, Address at) {
        return "shift "
                + Numbers.text(
                        fixtures.stream().map(id -> patch.get(id).number()).toList())
                + only.map(a -> " at " + a).orElse("") + " to " + at;
    }
}
