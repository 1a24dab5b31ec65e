package app.loculus.core.patch;

/**
 * One address a fixture holds.
 *
 * @param breakNumber which break of the mode starts here
 * @param shared whether it was allowed, on purpose, to overlap another fixture's
 */
public record PatchedAddress(int breakNumber, Address address, boolean shared) {

    /** Whether it is the same break at the same place, shared or not. */
    public boolean sameAs(PatchedAddress other) {
        return breakNumber == other.breakNumber && address.equals(other.address);
    }
}
