package app.loculus.core.command;

import app.loculus.core.edit.hand.Sending;
import app.loculus.core.play.Press;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.function.Function;

/** What one typed line asks for. */
public sealed interface Command {

    /** Whoever carries commands out; history and versions are not the core's. */
    interface Doer<T> {
        T edit(ShowEdit edit);

        T undo(int times);

        T redo(int times);

        T saveVersion(String name);

        T restoreVersion(String name);

        /** @param press found in the show as it is when it is pressed */
        T play(Function<Show, Press> press);

        /** @param asked found in the show as it is when it is sent */
        T send(Function<Show, Sending.Asked> asked);

        T nothing();
    }

    <T> T by(Doer<T> doer);

    /** Changes the show. */
    record Edit(ShowEdit edit) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.edit(edit);
        }
    }

    /** Takes back edits; done by whoever keeps the history. */
    record Undo(int times) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.undo(times);
        }
    }

    /** Does again what was taken back. */
    record Redo(int times) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.redo(times);
        }
    }

    /** Keeps the show as it is under a name; done by whoever keeps the versions. */
    record SaveVersion(String name) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.saveVersion(name);
        }
    }

    /** Makes the show what a kept version was. */
    record RestoreVersion(String name) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.restoreVersion(name);
        }
    }

    /** Plays something; done by whoever plays. */
    record Play(Function<Show, Press> press) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.play(press);
        }
    }

    /** Sends a command to fixtures; done by whoever drives the output. */
    record Send(Function<Show, Sending.Asked> asked) implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.send(asked);
        }
    }

    /** A blank line or a comment. */
    record Nothing() implements Command {
        @Override
        public <T> T by(Doer<T> doer) {
            return doer.nothing();
        }
    }
}
