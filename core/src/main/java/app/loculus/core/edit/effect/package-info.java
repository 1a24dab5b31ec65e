/** What is done with effects: setting, recording, changing, ending them, and the obvious ones for what is patched. */
package app.loculus.core.edit.effect;
