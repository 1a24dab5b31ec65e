/**
 * Is the show ready, and does it agree with its papers?
 *
 * A hookup row is a line of somebody else's paperwork, as text; a verdict says what would land of it and
 * what is wrong with it.
 */
package app.loculus.core.check;
