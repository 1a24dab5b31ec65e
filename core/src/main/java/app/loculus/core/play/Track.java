package app.loculus.core.play;

import app.loculus.core.look.CueId;
import app.loculus.core.motion.Moving;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.resolve.Source;
import java.util.Objects;

/**
 * One channel on its way within a list.
 *
 * @param from where it was when it was pressed; null: what lies below
 * @param to where it goes; null: to what lies below
 * @param moving what moves it there; null when it stands
 * @param start in the list's own time
 * @param snaps whether it jumps when the wait is over
 * @param since when it was started, by the clock of all
 * @param turns since when it turns, in the list's own time: the same effect in another cue goes on in its round
 * @param by the cue that says so; null on the way to what lies below
 */
record Track(
        FunctionValue from,
        FunctionValue to,
        Moving moving,
        long start,
        long delay,
        long time,
        boolean snaps,
        long since,
        long turns,
        CueId by,
        Source source) {

    long ends() {
        return start + delay + (snaps ? 0 : time);
    }

    void read(long own, Clockwork clock, double level, Wish into) {
        into.turns = clock.shownAt(turns);
        into.from = from;
        into.to = to;
        into.moving = moving;
        into.fromMoving = null;
        into.level = level;
        into.since = since;
        into.snaps = snaps;
        into.source = source;
        long moved = own - start - delay;
        into.share = moved < 0 ? -1 : snaps || moved >= time ? 1 : (double) moved / time;
    }

    /** Whether it goes to what lies below. */
    boolean leaves() {
        return to == null && moving == null;
    }

    /** Gone to what lies below: it says nothing any more. */
    boolean over(long own) {
        return leaves() && own >= ends();
    }

    Track since(long other) {
        return new Track(from, to, moving, start, delay, time, snaps, other, turns, by, source);
    }

    /** The same with another goal: what it refers to has changed. */
    Track to(Placed goal, CueId now) {
        return Objects.equals(goal.place(), to)
                        && Objects.equals(goal.moving(), moving)
                        && now.equals(by)
                        && goal.source().equals(source)
                ? this
                : new Track(
                        from,
                        goal.place(),
                        goal.moving(),
                        start,
                        delay,
                        time,
                        snaps || goal.snaps(),
                        since,
                        turns,
                        now,
                        goal.source());
    }
}
