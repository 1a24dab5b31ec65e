/**
 * Edits of looks, cues, lists and submasters: recording, timing, ordering, taking selected and putting back. Whatever
 * writes onto something says by type what changes. Playing is no edit.
 */
package app.loculus.core.edit.look;
