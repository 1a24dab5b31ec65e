/** Playing: what is pressed, and what runs. No edit, so it has no revision and is not in the history. */
package app.loculus.app.api.play;
