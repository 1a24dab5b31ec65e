package app.loculus.formats.e131;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Optional;

/** Where each field of a data packet lies. */
public final class DataPacketLayout {

    /** Octets of a packet with 512 slots. */
    public static final int LONGEST = 638;

    private static final int ROOT_VECTOR = 4;
    private static final int FRAMING_VECTOR = 2;
    private static final int PRIORITY_AT = 108;
    private static final int SYNC_AT = 109;
    private static final int SEQUENCE_AT = 111;
    private static final int OPTIONS_AT = 112;
    private static final int UNIVERSE_AT = 113;
    private static final int DMP_LENGTH_AT = 115;
    private static final int DMP_VECTOR_AT = 117;
    private static final int COUNT_AT = 123;
    private static final int START_CODE_AT = 125;
    private static final int SLOTS_AT = 126;

    private DataPacketLayout() {}

    public static byte[] encode(DataPacket packet) {
        int total = SLOTS_AT + packet.slots().length;
        ByteBuffer out = ByteBuffer.allocate(total);
        AcnRoot.write(out, ROOT_VECTOR, packet.cid(), FRAMING_VECTOR, packet.sourceName());
        out.put(PRIORITY_AT, (byte) packet.priority())
                .put(SEQUENCE_AT, (byte) packet.sequence())
                .put(OPTIONS_AT, (byte) packet.options());
        out.putShort(SYNC_AT, (short) packet.sync());
        out.putShort(UNIVERSE_AT, (short) packet.universe());
        out.putShort(DMP_LENGTH_AT, AcnRoot.length(total, DMP_LENGTH_AT))
                .put(DMP_VECTOR_AT, (byte) 0x02)
                .put(DMP_VECTOR_AT + 1, (byte) 0xA1);
        out.putShort(121, (short) 1).putShort(COUNT_AT, (short) (1 + packet.slots().length));
        out.put(START_CODE_AT, (byte) packet.startCode()).put(SLOTS_AT, packet.slots());
        return out.array();
    }

    /** Empty for anything that is not a whole data packet of this standard. */
    public static Optional<DataPacket> decode(byte[] datagram, int length) {
        if (!AcnRoot.is(datagram, length, SLOTS_AT, ROOT_VECTOR, FRAMING_VECTOR)) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        int slots = in.getShort(COUNT_AT) - 1;
        boolean known = in.get(DMP_VECTOR_AT) == 0x02 && (in.get(DMP_VECTOR_AT + 1) & 0xFF) == 0xA1;
        int universe = in.getShort(UNIVERSE_AT) & 0xFFFF;
        if (!known || slots < 0 || slots > 512 || length < SLOTS_AT + slots || universe < 1 || universe > 63999) {
            return Optional.empty();
        }
        return Optional.of(new DataPacket(
                AcnRoot.cid(datagram),
                AcnRoot.name(datagram),
                in.get(PRIORITY_AT) & 0xFF,
                in.get(SEQUENCE_AT) & 0xFF,
                in.get(OPTIONS_AT) & 0xFF,
                in.getShort(SYNC_AT) & 0xFFFF,
                universe,
                in.get(START_CODE_AT) & 0xFF,
                Arrays.copyOfRange(datagram, SLOTS_AT, SLOTS_AT + slots)));
    }
}
