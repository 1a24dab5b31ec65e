/** Looks, lists, cues and submasters, as pages show them. */
package app.loculus.app.api.looks;
