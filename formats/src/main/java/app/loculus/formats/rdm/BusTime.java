package app.loculus.formats.rdm;

/**
 * How long messages take on the wire, in microseconds. A slot has 11 bits at 250 kbit/s (E1.11); a message has a break and
 * a mark before it. Waiting times are those of E1.20 as far as they are known here: the crib of this project has none.
 */
public final class BusTime {

    private static final int SLOT = 44;
    private static final int BREAK = 176;
    private static final int MARK = 12;

    /** From the end of a request to the first octet of the response; a device may take up to 2,000. */
    private static final int TURN = 200;

    /** Between the end of a response and the next request. */
    private static final int GAP = 176;

    /** An answer begins within 2,000; when nothing has begun by then, nothing will. */
    private static final int SILENCE = 2800;

    /** The last of several answers may begin at 2,000 and has 24 slots; after that the line is quiet. */
    private static final int OVERLAP = 3200;

    private BusTime() {}

    /** What a request takes together with its answer. @param discovery whether the answer has no break */
    public static long answered(int sent, int heard, boolean discovery) {
        return message(sent) + TURN + (discovery ? (long) heard * SLOT : message(heard)) + GAP;
    }

    /** What a request takes that nobody answers. */
    public static long silent(int sent) {
        return message(sent) + SILENCE;
    }

    /** What a request takes that several answer at once. */
    public static long overlapped(int sent) {
        return message(sent) + OVERLAP;
    }

    /** A message to everyone, which nobody answers. */
    public static long broadcast(int sent) {
        return message(sent) + GAP;
    }

    private static long message(int octets) {
        return BREAK + MARK + (long) octets * SLOT;
    }
}
