package app.loculus.formats.artnet;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** What all packets begin with: who speaks, what it is, and by which version. */
final class ArtHeader {

    static final int DMX = 0x5000;
    static final int POLL = 0x2000;
    static final int POLL_REPLY = 0x2100;
    static final int SYNC = 0x5200;

    /** Where that which follows the version begins. */
    static final int END = 12;

    private static final byte[] ID = "Art-Net\0".getBytes(StandardCharsets.US_ASCII);
    private static final int CODE_AT = 8;
    private static final int VERSION_AT = 10;

    /** The one that all of Art-Net 4 has, and the least that is understood. */
    private static final int VERSION = 14;

    private ArtHeader() {}

    /** The operation code goes low octet first. A reply has no version. */
    static void write(ByteBuffer out, int code) {
        out.put(0, ID).put(CODE_AT, (byte) code).put(CODE_AT + 1, (byte) (code >> 8));
        if (code != POLL_REPLY) {
            out.putShort(VERSION_AT, (short) VERSION);
        }
    }

    /** Whether a datagram is one of this kind. */
    static boolean is(byte[] datagram, int length, int least, int code) {
        return length >= least
                && length <= datagram.length
                && Arrays.equals(datagram, 0, ID.length, ID, 0, ID.length)
                && ((datagram[CODE_AT] & 0xFF) | (datagram[CODE_AT + 1] & 0xFF) << 8) == code
                && (code == POLL_REPLY || ByteBuffer.wrap(datagram).getShort(VERSION_AT) >= VERSION);
    }
}
