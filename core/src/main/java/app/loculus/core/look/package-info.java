/**
 * What is kept to be played: looks, cues in lists, chases, submasters, and how they move in time.
 *
 * <ul>
 *   <li>A <em>look</em> is a set of values by unit and attribute; a value may refer to a palette.
 *   <li>A <em>cue list</em> joins its cues by <em>carrying on</em> (the state at cue k is the merge of cues 1 to k) or by
 *       <em>standing alone</em>.
 *   <li>A <em>fade</em> with wait d and time T: a until d, then a + (b − a)(t − d)/T, then b.
 *   <li>A <em>chase</em> with r steps a minute and crossfade c (a share of a step): s = r·t/60, k = ⌊s⌋, f = s − k; step k
 *       of the round has come in by min(1, f/c) over the step before, at c = 0 at once.
 * </ul>
 *
 * Everything here is a pure function of time; who plays what, when, is the room after.
 */
package app.loculus.core.look;
