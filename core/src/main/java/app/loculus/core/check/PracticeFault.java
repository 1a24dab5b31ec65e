package app.loculus.core.check;

import app.loculus.core.patch.Address;
import java.util.Optional;

/**
 * One fixture of a rig that is wrong on purpose.
 *
 * @param address where it hangs instead
 * @param mode the mode it is set to instead
 * @param twin number of the fixture whose identity its device has
 * @param stray where another one of its type hangs that nobody has patched
 * @param words what is wrong with it
 */
public record PracticeFault(
        int number,
        boolean dead,
        Optional<Address> address,
        Optional<String> mode,
        Optional<Integer> twin,
        Optional<Address> stray,
        String words) {

    static PracticeFault dead(int number, String words) {
        return new PracticeFault(
                number, true, Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), words);
    }

    static PracticeFault at(int number, Address address, String words) {
        return new PracticeFault(
                number, false, Optional.of(address), Optional.empty(), Optional.empty(), Optional.empty(), words);
    }

    static PracticeFault in(int number, String mode, String words) {
        return new PracticeFault(
                number, false, Optional.empty(), Optional.of(mode), Optional.empty(), Optional.empty(), words);
    }

    static PracticeFault doubling(int number, int twin, String words) {
        return new PracticeFault(
                number, false, Optional.empty(), Optional.empty(), Optional.of(twin), Optional.empty(), words);
    }

    static PracticeFault beside(int number, Address stray, String words) {
        return new PracticeFault(
                number, false, Optional.empty(), Optional.empty(), Optional.empty(), Optional.of(stray), words);
    }

    /** Whether its light tells that something is wrong; else only its device does. */
    public boolean shines() {
        return dead || address.isPresent() || mode.isPresent();
    }
}
