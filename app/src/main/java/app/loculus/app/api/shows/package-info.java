/**
 * Shows over HTTP: make, list, open, look at, edit, undo.
 */
package app.loculus.app.api.shows;
