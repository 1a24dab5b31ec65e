/**
 * Edits of marks, and of what stands at them.
 */
package app.loculus.core.edit.mark;
