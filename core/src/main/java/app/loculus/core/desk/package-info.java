/**
 * What the bench shows of the lights selected: their values summed up by attribute, and where they come from.
 *
 * Levels in percent of the range, DMX as the whole value of the channel, physical values in the attribute's unit.
 */
package app.loculus.core.desk;
