/**
 * Palettes that are obvious from the patch: levels, colours and whites, every slot by name, zooms, steps, home.
 */
package app.loculus.core.edit.starter;
