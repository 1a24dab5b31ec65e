package app.loculus.core.play;

import app.loculus.core.Rig;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;

/** A show that is played by lines, at times in seconds; for tests. */
final class Stage {

    private static final LineReader LINES = new LineReader(Rig.ALL);

    private Show show;
    private Playing playing = Playing.NOTHING;

    Stage(Show show) {
        this.show = show;
        playing = playing.on(show.repertoire(), 0);
    }

    /** Seconds as the core has them. */
    static long micros(double seconds) {
        return Math.round(seconds * 1_000_000);
    }

    Show show() {
        return show;
    }

    Playing playing(double at) {
        return playing.at(micros(at), show.repertoire());
    }

    /** Plays: go, jump to cue 3. */
    Stage press(double at, String... lines) {
        for (String line : lines) {
            Press press = ((Command.Play) LINES.read(line)).press().apply(show);
            playing = playing.after(press, micros(at), show.repertoire());
        }
        return this;
    }

    /** The same, where a refused line does nothing. */
    Stage pressIfItCan(double at, String line) {
        try {
            return press(at, line);
        } catch (app.loculus.core.problem.Refusal refused) {
            return this;
        }
    }

    /** Edits while it plays. */
    Stage edit(double at, String... lines) {
        for (String line : lines) {
            playing = playing(at);
            show = Rig.after(show.playing(java.util.List.of(playing.layer(micros(at)))), line)
                    .playing(java.util.List.of());
            playing = playing.on(show.repertoire(), micros(at));
        }
        return this;
    }

    /** The same, where a refused line does nothing. */
    Stage editIfItCan(double at, String line) {
        playing = playing(at);
        Show before = show.playing(java.util.List.of(playing.layer(micros(at))));
        show = app.loculus.core.show.HandLines.after(before, java.util.List.of(line))
                .playing(java.util.List.of());
        playing = playing.on(show.repertoire(), micros(at));
        return this;
    }

    /** What another one plays. */
    Stage as(Stage other) {
        playing = other.playing;
        return this;
    }

    Scene scene(double at) {
        Playing now = playing(at);
        return show.scene().played(now.layer(micros(at)), now.blind(), now.master());
    }

    Frames frames(double at) {
        return new FrameRenderer().render(scene(at));
    }

    /** What goes out in universe 1, from a slot on. */
    int[] slots(double at, int first, int count) {
        byte[] all = frames(at).slots(1);
        int[] slots = new int[count];
        for (int i = 0; i < count; i++) {
            slots[i] = all[first - 1 + i] & 0xFF;
        }
        return slots;
    }

    /** One slot as a percentage, rounded. */
    long percent(double at, int slot) {
        return Math.round(slots(at, slot, 1)[0] / 2.55);
    }
}
