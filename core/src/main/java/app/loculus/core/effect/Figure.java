package app.loculus.core.effect;

import java.util.Locale;

/** A shape that pan and tilt go through in one round, each from −1 to 1. */
public enum Figure {
    /** Pan a quarter ahead of tilt. */
    CIRCLE(Math.PI / 2, 1),
    /** Tilt twice as fast. */
    EIGHT(0, 2),
    LINE(0, 0),
    /** Round its sides at an even pace, beginning in the middle of one. */
    SQUARE(0, 0);

    private final double ahead;
    private final int tiltTurns;

    Figure(double ahead, int tiltTurns) {
        this.ahead = ahead;
        this.tiltTurns = tiltTurns;
    }

    /** Along pan. @param phase 0 to 1 */
    public double pan(double phase) {
        return this == SQUARE ? side(phase + .25) : Math.sin(2 * Math.PI * phase + ahead);
    }

    /** Along tilt. @param phase 0 to 1 */
    public double tilt(double phase) {
        return this == SQUARE ? side(phase) : tiltTurns == 0 ? 0 : Math.sin(2 * Math.PI * tiltTurns * phase);
    }

    private static double side(double phase) {
        double along = 2 * Form.TRIANGLE.wave(phase - Math.floor(phase), 0);
        return Math.max(-1, Math.min(1, along));
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
