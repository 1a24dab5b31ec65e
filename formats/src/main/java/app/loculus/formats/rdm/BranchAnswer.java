package app.loculus.formats.rdm;

import app.loculus.core.device.Uid;
import java.util.Arrays;
import java.util.Optional;

/**
 * The answer to a search of a branch: each octet twice, once with every other bit set and once with the others, so that
 * answers which overlap are nearly always known by their sum. Two of them can look like a third one that is not there: who
 * is muted has to say so. It has no break before it.
 */
public final class BranchAnswer {

    private static final int PREAMBLE = 0xFE;
    private static final int MOST_PREAMBLE = 7;
    private static final int SEPARATOR = 0xAA;
    private static final int EVENS = 0xAA;
    private static final int ODDS = 0x55;
    private static final int UID_OCTETS = 6;
    private static final int CODED = 16;

    private BranchAnswer() {}

    public static byte[] encode(Uid uid) {
        byte[] out = new byte[MOST_PREAMBLE + 1 + CODED];
        Arrays.fill(out, 0, MOST_PREAMBLE, (byte) PREAMBLE);
        out[MOST_PREAMBLE] = (byte) SEPARATOR;
        byte[] plain = RdmLayout.octets(uid);
        int at = MOST_PREAMBLE + 1;
        int sum = 0;
        for (byte octet : plain) {
            sum += put(out, at, octet);
            at += 2;
        }
        put(out, at, sum >> Byte.SIZE);
        put(out, at + 2, sum);
        return out;
    }

    /** @return the sum of both */
    private static int put(byte[] out, int at, int octet) {
        out[at] = (byte) (octet | EVENS);
        out[at + 1] = (byte) (octet | ODDS);
        return (out[at] & 0xFF) + (out[at + 1] & 0xFF);
    }

    /** Who it may be near to when several overlap; a hint, no more. */
    static Optional<Uid> likely(byte[] octets) {
        int from = octets.length - CODED;
        if (from < 1 || (octets[from - 1] & 0xFF) != SEPARATOR) {
            return Optional.empty();
        }
        byte[] uid = new byte[UID_OCTETS];
        for (int i = 0; i < UID_OCTETS; i++) {
            uid[i] = (byte) (octets[from + 2 * i] & octets[from + 2 * i + 1]);
        }
        return Optional.of(RdmLayout.uid(uid, 0));
    }

    /** Empty when it is none, or several at once. A preamble may be shorter: repeaters swallow some of it. */
    public static Optional<Uid> decode(byte[] octets) {
        int at = 0;
        while (at < octets.length && at < MOST_PREAMBLE && (octets[at] & 0xFF) == PREAMBLE) {
            at++;
        }
        if (octets.length != at + 1 + CODED || (octets[at] & 0xFF) != SEPARATOR) {
            return Optional.empty();
        }
        byte[] uid = new byte[UID_OCTETS];
        int sum = 0;
        int from = at + 1;
        for (int i = 0; i < UID_OCTETS; i++) {
            int high = octets[from + 2 * i] & 0xFF;
            int low = octets[from + 2 * i + 1] & 0xFF;
            if ((high & EVENS) != EVENS || (low & ODDS) != ODDS) {
                return Optional.empty();
            }
            uid[i] = (byte) (high & low);
            sum += high + low;
        }
        int told = from + 2 * UID_OCTETS;
        int check = (octets[told] & octets[told + 1] & 0xFF) << Byte.SIZE | octets[told + 2] & octets[told + 3] & 0xFF;
        return check == (sum & 0xFFFF) ? Optional.of(RdmLayout.uid(uid, 0)) : Optional.empty();
    }
}
