/**
 * Open shows: one writer, immutable snapshots for readers, revisions, undo and redo.
 */
package app.loculus.app.session;
