/**
 * Which fixture hangs at which address.
 *
 * Universe 1–63999, slot 1–512, written {@code universe.slot}. Every break of a mode has addresses of its
 * own; a fixture may hold several addresses for a break, or none at all. A <em>claim</em> is one address
 * with the slots it covers; a <em>clash</em> is a run of slots claimed by more than one fixture.
 */
package app.loculus.core.patch;
