/**
 * Which units, in which order, and how they are asked for.
 *
 * A selection is an ordered list of steps; a step is a set of units. Spreads and stepping run along the
 * steps. A <em>pattern</em> takes some of the units and leaves <em>the rest</em>, or arranges all of them; stepping
 * forward takes the next <em>share</em>. Orders by place are in metres: across is x, along is y, up is z.
 *
 * A <em>choice</em> says who is asked for: by number, type, position, purpose, universe, group, or by a <em>state</em>
 * that is the case with them. It writes itself as the line does, and is worked out on a {@link
 * app.loculus.core.selection.Ground} when it is needed.
 */
package app.loculus.core.selection;
