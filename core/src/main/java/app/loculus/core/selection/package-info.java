/**
 * Which units, in which order.
 *
 * A selection is an ordered list of steps; a step is a set of units. Spreads and stepping run along the
 * steps. A <em>pattern</em> takes some of the units and leaves <em>the rest</em>; stepping forward takes
 * the next <em>share</em>.
 */
package app.loculus.core.selection;
