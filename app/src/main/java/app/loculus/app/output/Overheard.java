package app.loculus.app.output;

import java.util.UUID;

/**
 * Another sender on the net, to a number that one of our universes has there.
 *
 * @param universe ours; @param number what it is called there
 * @param from its address; empty where it only tells that it sends
 * @param priority its own; @param own ours there
 */
public record Overheard(int universe, int number, UUID cid, String name, String from, int priority, int own) {}
