package app.loculus.core.patch;

/**
 * One address a fixture holds.
 *
 * @param breakNumber which break of the mode starts here
 * @param shared whether it was allowed, on purpose, to overlap another fixture's
 */
public record PatchedAddress(int breakNumber, Address address, boolean shared) {}
