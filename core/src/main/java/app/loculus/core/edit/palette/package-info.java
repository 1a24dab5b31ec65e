/**
 * Edits of palettes; they number per kind, 1 to 9999.
 */
package app.loculus.core.edit.palette;
