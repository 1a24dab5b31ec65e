package app.loculus.core.look;

/** From one value to another over time. */
public final class Fade {

    private Fade() {}

    /**
     * How much of the way is done, 0 to 1.
     *
     * @param elapsed since the start; all three in one unit
     * @param wait before anything moves
     * @param time how long it then takes; at 0 it is there as soon as the wait is over
     */
    public static double share(double elapsed, double wait, double time) {
        double moved = elapsed - wait;
        if (moved < 0) {
            return 0;
        }
        return moved >= time ? 1 : moved / time;
    }

    /** The value on the way; exactly a and b at its ends. */
    public static double between(double a, double b, double share) {
        return share >= 1 ? b : a + (b - a) * share;
    }
}
