/**
 * What the person holds and is working on.
 *
 * The <em>hand</em> is the selection with the patterns it was taken by; <em>values</em> are what was set by
 * unit and attribute, each touched (it will be recorded) or not.
 */
package app.loculus.core.programmer;
