/**
 * Edits of the selection and of working values: choosing, arranging, setting, home, clear.
 *
 * A number alone is percent; for pan and tilt it is degrees.
 */
package app.loculus.core.edit.hand;
