package app.loculus.core.device;

import java.util.Optional;

/**
 * How a device is set.
 *
 * @param start its first slot, 1 to 512; empty for one without slots
 * @param footprint slots it takes from there on
 * @param personality number of the mode it is in, 0 when it has none
 */
public record DeviceSetting(Optional<Integer> start, int footprint, int personality) {}
