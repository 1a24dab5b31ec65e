package app.loculus.formats.e131;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;

/** Where each field of a data packet lies. */
public final class DataPacketLayout {

    /** Octets of a packet with 512 slots. */
    public static final int LONGEST = 638;

    private static final byte[] IDENTIFIER = {0x41, 0x53, 0x43, 0x2D, 0x45, 0x31, 0x2E, 0x31, 0x37, 0, 0, 0};
    private static final int ROOT_LENGTH_AT = 16;
    private static final int ROOT_VECTOR = 4;
    private static final int CID_AT = 22;
    private static final int FRAMING_LENGTH_AT = 38;
    private static final int FRAMING_VECTOR_AT = 40;
    private static final int FRAMING_VECTOR = 2;
    private static final int NAME_AT = 44;
    private static final int NAME_OCTETS = 64;
    private static final int PRIORITY_AT = 108;
    private static final int SEQUENCE_AT = 111;
    private static final int OPTIONS_AT = 112;
    private static final int UNIVERSE_AT = 113;
    private static final int DMP_LENGTH_AT = 115;
    private static final int DMP_VECTOR_AT = 117;
    private static final int COUNT_AT = 123;
    private static final int START_CODE_AT = 125;
    private static final int SLOTS_AT = 126;
    private static final int FLAGS = 0x7000;

    private DataPacketLayout() {}

    public static byte[] encode(DataPacket packet) {
        int total = SLOTS_AT + packet.slots().length;
        ByteBuffer out = ByteBuffer.allocate(total);
        out.putShort(0, (short) 0x0010).put(4, IDENTIFIER);
        out.putShort(ROOT_LENGTH_AT, length(total, ROOT_LENGTH_AT)).putInt(18, ROOT_VECTOR);
        out.putLong(CID_AT, packet.cid().getMostSignificantBits())
                .putLong(CID_AT + 8, packet.cid().getLeastSignificantBits());
        out.putShort(FRAMING_LENGTH_AT, length(total, FRAMING_LENGTH_AT)).putInt(FRAMING_VECTOR_AT, FRAMING_VECTOR);
        byte[] name = packet.sourceName().getBytes(StandardCharsets.UTF_8);
        out.put(NAME_AT, Arrays.copyOf(name, Math.min(name.length, NAME_OCTETS - 1)));
        out.put(PRIORITY_AT, (byte) packet.priority())
                .put(SEQUENCE_AT, (byte) packet.sequence())
                .put(OPTIONS_AT, (byte) packet.options());
        out.putShort(UNIVERSE_AT, (short) packet.universe());
        out.putShort(DMP_LENGTH_AT, length(total, DMP_LENGTH_AT))
                .put(DMP_VECTOR_AT, (byte) 0x02)
                .put(DMP_VECTOR_AT + 1, (byte) 0xA1);
        out.putShort(121, (short) 1).putShort(COUNT_AT, (short) (1 + packet.slots().length));
        out.put(START_CODE_AT, (byte) packet.startCode()).put(SLOTS_AT, packet.slots());
        return out.array();
    }

    private static short length(int total, int from) {
        return (short) (FLAGS | total - from);
    }

    /** Empty for anything that is not a whole data packet of this standard. */
    public static Optional<DataPacket> decode(byte[] datagram, int length) {
        if (length < SLOTS_AT || !Arrays.equals(datagram, 4, 16, IDENTIFIER, 0, 12)) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(datagram, 0, length);
        int slots = in.getShort(COUNT_AT) - 1;
        boolean known = in.getInt(18) == ROOT_VECTOR
                && in.getInt(FRAMING_VECTOR_AT) == FRAMING_VECTOR
                && in.get(DMP_VECTOR_AT) == 0x02
                && (in.get(DMP_VECTOR_AT + 1) & 0xFF) == 0xA1;
        int universe = in.getShort(UNIVERSE_AT) & 0xFFFF;
        if (!known || slots < 0 || slots > 512 || length < SLOTS_AT + slots || universe < 1 || universe > 63999) {
            return Optional.empty();
        }
        return Optional.of(new DataPacket(
                new UUID(in.getLong(CID_AT), in.getLong(CID_AT + 8)),
                name(datagram),
                in.get(PRIORITY_AT) & 0xFF,
                in.get(SEQUENCE_AT) & 0xFF,
                in.get(OPTIONS_AT) & 0xFF,
                universe,
                in.get(START_CODE_AT) & 0xFF,
                Arrays.copyOfRange(datagram, SLOTS_AT, SLOTS_AT + slots)));
    }

    private static String name(byte[] datagram) {
        int end = NAME_AT;
        while (end < NAME_AT + NAME_OCTETS && datagram[end] != 0) {
            end++;
        }
        return new String(datagram, NAME_AT, end - NAME_AT, StandardCharsets.UTF_8);
    }
}
