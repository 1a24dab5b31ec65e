package app.loculus.formats.e131;

/** Decides by sequence number whether a packet is news. One for each sender and universe. */
public final class Sequence {

    /** Packets at most this much older than the last one are late, not a restart. */
    private static final int LATE = -20;

    private int last = -1;

    /** Accepts unless −20 &lt; new − last ≤ 0, as signed 8 bit. */
    public boolean accepts(int sequence) {
        byte step = (byte) (sequence - last);
        boolean news = last < 0 || step > 0 || step <= LATE;
        last = news ? sequence : last;
        return news;
    }
}
