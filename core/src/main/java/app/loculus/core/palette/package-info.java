/**
 * Named values that looks work from.
 *
 * An entry is (scope key, attribute) → value; a colour palette may also hold its <em>intent</em>, the
 * colour it stands for in CIE 1931 x, y. Scope, narrowest first: a unit's own entry, its type in one mode,
 * its type, global. <em>Reach</em> says for each unit which of these it follows, or that its values are
 * computed from the intent, or that it does not follow and why.
 */
package app.loculus.core.palette;
