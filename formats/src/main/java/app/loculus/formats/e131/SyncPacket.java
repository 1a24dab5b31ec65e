package app.loculus.formats.e131;

import java.nio.ByteBuffer;
import java.util.Optional;
import java.util.UUID;

/**
 * Says that what waits for a synchronisation address counts now (E1.31, 6.3).
 *
 * @param sequence 0 to 255, per address and receiver
 * @param address 1 to 63999; it goes to the multicast group of that number, or where the data goes
 */
public record SyncPacket(UUID cid, int sequence, int address) {

    private static final int OCTETS = 49;
    private static final int ROOT_VECTOR = 8;
    private static final int FRAMING_VECTOR = 1;
    private static final int SEQUENCE_AT = 44;
    private static final int ADDRESS_AT = 45;
    private static final int LAST = 63_999;

    public byte[] encode() {
        ByteBuffer out = ByteBuffer.allocate(OCTETS);
        AcnRoot.write(out, ROOT_VECTOR, cid, FRAMING_VECTOR);
        return out.put(SEQUENCE_AT, (byte) sequence)
                .putShort(ADDRESS_AT, (short) address)
                .array();
    }

    /** Empty for anything that is no such packet. */
    public static Optional<SyncPacket> decode(byte[] datagram, int length) {
        if (!AcnRoot.is(datagram, length, OCTETS, ROOT_VECTOR, FRAMING_VECTOR)) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        int address = in.getShort(ADDRESS_AT) & 0xFFFF;
        return address < 1 || address > LAST
                ? Optional.empty()
                : Optional.of(new SyncPacket(AcnRoot.cid(datagram), in.get(SEQUENCE_AT) & 0xFF, address));
    }
}
