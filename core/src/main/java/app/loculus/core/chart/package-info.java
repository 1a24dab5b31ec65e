/**
 * Building a profile from the slot chart in a fixture's manual.
 *
 * A <em>chart</em> is text, one line per slot; a <em>draft</em> is what was understood of it, open to
 * corrections; a built profile is the draft as the rest of the core knows profiles. DMX values of a draft
 * are those of the coarse octet, 0 to 255, because that is how manuals print them.
 */
package app.loculus.core.chart;
