/**
 * A show as one immutable value, and the edits that lead from one to the next.
 *
 * {@code apply(show, edit)} gives an outcome: the new show with the changes that lead to it, or a refusal
 * that leaves the show as it was. A preview is the same call with nothing kept. Every change knows what was
 * there before, so that reversing the changes of an edit is its undo. Numbers: fixtures 1–999999; groups in
 * one list and palettes per kind, 1–9999.
 */
package app.loculus.core.show;
