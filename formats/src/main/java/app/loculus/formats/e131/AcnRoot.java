package app.loculus.formats.e131;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.UUID;

/** What all packets begin with: the root layer, and the name of who sends. */
final class AcnRoot {

    static final int FRAMING_LENGTH_AT = 38;
    static final int FRAMING_VECTOR_AT = 40;
    static final int NAME_AT = 44;
    static final int NAME_OCTETS = 64;

    private static final byte[] IDENTIFIER = {0x41, 0x53, 0x43, 0x2D, 0x45, 0x31, 0x2E, 0x31, 0x37, 0, 0, 0};
    private static final int LENGTH_AT = 16;
    private static final int VECTOR_AT = 18;
    private static final int CID_AT = 22;
    private static final int FLAGS = 0x7000;

    private AcnRoot() {}

    /** @param out of the length that the whole packet has */
    static void write(ByteBuffer out, int vector, UUID cid, int framingVector, String sourceName) {
        write(out, vector, cid, framingVector);
        byte[] name = sourceName.getBytes(StandardCharsets.UTF_8);
        out.put(NAME_AT, Arrays.copyOf(name, Math.min(name.length, NAME_OCTETS - 1)));
    }

    /** The same for a packet that says no name. */
    static void write(ByteBuffer out, int vector, UUID cid, int framingVector) {
        int total = out.capacity();
        out.putShort(0, (short) 0x0010).put(4, IDENTIFIER);
        out.putShort(LENGTH_AT, length(total, LENGTH_AT)).putInt(VECTOR_AT, vector);
        out.putLong(CID_AT, cid.getMostSignificantBits()).putLong(CID_AT + 8, cid.getLeastSignificantBits());
        out.putShort(FRAMING_LENGTH_AT, length(total, FRAMING_LENGTH_AT)).putInt(FRAMING_VECTOR_AT, framingVector);
    }

    /** Flags and the length from there to the end. */
    static short length(int total, int from) {
        return (short) (FLAGS | total - from);
    }

    /** Whether a datagram is one of this kind. */
    static boolean is(byte[] datagram, int length, int least, int vector, int framingVector) {
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        return length >= least
                && Arrays.equals(datagram, 4, 16, IDENTIFIER, 0, IDENTIFIER.length)
                && in.getInt(VECTOR_AT) == vector
                && in.getInt(FRAMING_VECTOR_AT) == framingVector;
    }

    static UUID cid(byte[] datagram) {
        ByteBuffer in = ByteBuffer.wrap(datagram);
        return new UUID(in.getLong(CID_AT), in.getLong(CID_AT + 8));
    }

    static String name(byte[] datagram) {
        int end = NAME_AT;
        while (end < NAME_AT + NAME_OCTETS && datagram[end] != 0) {
            end++;
        }
        return new String(datagram, NAME_AT, end - NAME_AT, StandardCharsets.UTF_8);
    }
}
