package app.loculus.app.session;

import java.util.Set;

/**
 * Published after an edit is on disk.
 *
 * @param areas which parts changed: show, profiles, fixtures, groups, palettes, values, hand
 * @param live whether the show drives the output
 */
public record ShowChanged(Snapshot snapshot, Set<String> areas, boolean live) {}
