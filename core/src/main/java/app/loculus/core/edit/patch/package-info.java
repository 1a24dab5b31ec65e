/**
 * Edits of fixtures and universes: numbers, addresses (universe.slot), names, places in metres, what goes out where.
 *
 * Universes 1 to 63999, slots 1 to 512, fixture numbers 1 to 999999. A clash is refused with its ways out.
 */
package app.loculus.core.edit.patch;
