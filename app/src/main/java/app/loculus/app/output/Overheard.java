package app.loculus.app.output;

import app.loculus.core.patch.UniverseSetup;

/**
 * Another sender on the net, to a number that one of our universes has there.
 *
 * @param universe ours
 * @param from its address; empty where it only tells that it sends
 * @param priority its own, by E1.31
 */
public record Overheard(UniverseSetup universe, String name, String from, int priority) {}
