package app.loculus.core.play;

/**
 * The time of one list: it stands still while the list is paused. In microseconds.
 *
 * @param behind how long it has stood still so far
 * @param pausedAt when it was paused, by the clock of all; −1 while it goes
 */
record Clockwork(long behind, long pausedAt) {

    static final Clockwork GOING = new Clockwork(0, -1);

    boolean paused() {
        return pausedAt >= 0;
    }

    /** The list's own time. */
    long at(long now) {
        return (paused() ? pausedAt : now) - behind;
    }

    /** When the clock of all shows it, as long as it goes. */
    long shownAt(long own) {
        return own + behind;
    }

    Clockwork turned(long now) {
        return paused() ? going(now) : new Clockwork(behind, now);
    }

    Clockwork going(long now) {
        return paused() ? new Clockwork(behind + now - pausedAt, -1) : this;
    }
}
