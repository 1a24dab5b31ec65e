package app.loculus.core.patch;

import java.util.List;
import java.util.Map;

/**
 * Where fixtures land.
 *
 * @param addresses by fixture, in the order of its mode's breaks
 * @param crossings where a run went on in the next universe because a footprint would have crossed slot 512
 */
public record Landing(Map<FixtureId, List<Address>> addresses, List<Address> crossings) {}
