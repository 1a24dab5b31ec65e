package app.loculus.core.command;

import app.loculus.core.show.ShowEdit;

/** What one typed line asks for. */
public sealed interface Command {

    /** Changes the show. */
    record Edit(ShowEdit edit) implements Command {}

    /** Takes back edits; done by whoever keeps the history. */
    record Undo(int times) implements Command {}

    /** Does again what was taken back. */
    record Redo(int times) implements Command {}

    /** Keeps the show as it is under a name; done by whoever keeps the versions. */
    record SaveVersion(String name) implements Command {}

    /** Makes the show what a kept version was. */
    record RestoreVersion(String name) implements Command {}

    /** A blank line or a comment. */
    record Nothing() implements Command {}
}
