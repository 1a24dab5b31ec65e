/**
 * Drawings of a venue and its rig, as the open scene format has them: what hangs where, and under which identity.
 *
 * A drawing is what was read of one file; what is kept of it stays with the show, so that all of it goes out again under
 * the same identities. Metres, in the stage's frame. An identity is a UUID in small letters.
 */
package app.loculus.core.drawing;
