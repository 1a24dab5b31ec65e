package app.loculus.core.look;

import app.loculus.core.unit.Seconds;

/**
 * What starts the next cue.
 *
 * @param after how long after; zero for a press
 */
public record Start(Trigger trigger, Seconds after) {

    public static final Start PRESS = new Start(Trigger.PRESS, Seconds.ZERO);

    /** What it goes by. */
    public enum Trigger {
        /** Somebody presses. */
        PRESS,
        /** The cue began. */
        BEGAN,
        /** The cue ended. */
        ENDED
    }

    public boolean byItself() {
        return trigger != Trigger.PRESS;
    }

    /** In milliseconds after its cue began. @param length of that cue */
    public long millisAfterBegin(Seconds length) {
        return (trigger == Trigger.ENDED ? length.millis() : 0L) + after.millis();
    }

    /** As the line has it: {@code next 5 after begin}; empty for a press. */
    @Override
    public String toString() {
        return switch (trigger) {
            case PRESS -> "next press";
            case BEGAN -> "next " + after + " after begin";
            case ENDED -> "next " + after + " after end";
        };
    }
}
