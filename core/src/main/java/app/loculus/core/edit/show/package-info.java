/**
 * Edits of the show as a whole.
 */
package app.loculus.core.edit.show;
