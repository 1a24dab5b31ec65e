/**
 * Edits of groups; they number in one list, 1 to 9999.
 */
package app.loculus.core.edit.group;
