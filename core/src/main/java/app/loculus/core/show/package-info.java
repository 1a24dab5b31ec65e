/**
 * A show as one immutable value of parts, what changes it, and how two states differ.
 *
 * {@code apply(show, edit)} gives an outcome: the new show with the changes that lead to it, or a refusal
 * that leaves the show as it was. A preview is the same call with nothing kept. Every change knows what was
 * there before, so that reversing the changes of an edit is its undo. Parts are treated alike by their
 * {@link app.loculus.core.show.PartKind}; {@link app.loculus.core.show.PartKinds} lists them all. No number
 * stands twice and nothing refers to what is gone ({@link app.loculus.core.show.Identity}). Numbers: fixtures
 * 1 to 999999; groups in one list and palettes per kind, 1 to 9999.
 */
package app.loculus.core.show;
