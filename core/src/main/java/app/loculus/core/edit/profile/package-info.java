/**
 * Edits that change what a fixture is: its profile or its mode, with everything that has to follow.
 */
package app.loculus.core.edit.profile;
