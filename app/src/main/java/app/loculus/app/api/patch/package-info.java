/**
 * The patch over HTTP: fixtures, clashes with their ways out, universes, and hookups.
 */
package app.loculus.app.api.patch;
