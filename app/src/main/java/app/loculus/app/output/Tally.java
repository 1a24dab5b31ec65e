package app.loculus.app.output;

/** Counts what goes out of one universe; written by the sender, read by whoever asks. Nanoseconds of its clock. */
final class Tally {

    private static final long SECOND = 1_000_000_000L;

    private long packets;
    private long lastNanos;
    private long secondNanos;
    private int inThisSecond;
    private int inTheLast;

    synchronized void count(long now) {
        turn(now);
        packets++;
        inThisSecond++;
        lastNanos = now;
    }

    private void turn(long now) {
        if (now - secondNanos >= SECOND) {
            inTheLast = now - secondNanos < 2 * SECOND ? inThisSecond : 0;
            inThisSecond = 0;
            secondNanos = now;
        }
    }

    synchronized Sent sent(int universe, long now) {
        turn(now);
        return new Sent(universe, packets, Math.max(inTheLast, inThisSecond), (now - lastNanos) / 1_000_000);
    }
}
