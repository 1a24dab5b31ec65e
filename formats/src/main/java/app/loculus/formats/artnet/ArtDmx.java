package app.loculus.formats.artnet;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Optional;

/**
 * Levels for one port address.
 *
 * @param sequence 1 to 255, then 1 again, per receiver and port address; 0 when packets are not counted
 * @param portAddress 0 to 32767
 * @param slots 1 to 512 of them, unsigned octets; an odd number goes out with one more at 0
 */
public record ArtDmx(int sequence, int portAddress, byte[] slots) {

    /** Octets of a packet with 512 slots. */
    public static final int LONGEST = 530;

    private static final int SEQUENCE_AT = 12;
    private static final int SUB_UNI_AT = 14;
    private static final int NET_AT = 15;
    private static final int LENGTH_AT = 16;
    private static final int SLOTS_AT = 18;
    private static final int MOST = 512;

    /** @param count of packets sent so far in this stream @return the number of the next */
    public static int sequence(long count) {
        return (int) (count % 255) + 1;
    }

    public byte[] encode() {
        int even = slots.length + slots.length % 2;
        ByteBuffer out = ByteBuffer.allocate(SLOTS_AT + even);
        ArtHeader.write(out, ArtHeader.DMX);
        out.put(SEQUENCE_AT, (byte) sequence)
                .put(SUB_UNI_AT, (byte) portAddress)
                .put(NET_AT, (byte) (portAddress >> 8))
                .putShort(LENGTH_AT, (short) even)
                .put(SLOTS_AT, slots);
        return out.array();
    }

    /** Empty for anything that is not a whole packet of levels; what follows the slots is left alone. */
    public static Optional<ArtDmx> decode(byte[] datagram, int length) {
        if (!ArtHeader.is(datagram, length, SLOTS_AT + 1, ArtHeader.DMX)) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        int slots = in.getShort(LENGTH_AT) & 0xFFFF;
        int net = in.get(NET_AT) & 0xFF;
        if (slots < 1 || slots > MOST || length < SLOTS_AT + slots || net > 0x7F) {
            return Optional.empty();
        }
        return Optional.of(new ArtDmx(
                in.get(SEQUENCE_AT) & 0xFF,
                net << 8 | in.get(SUB_UNI_AT) & 0xFF,
                Arrays.copyOfRange(datagram, SLOTS_AT, SLOTS_AT + slots)));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ArtDmx a && Arrays.equals(a.encode(), encode());
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(slots) * 31 + portAddress;
    }
}
