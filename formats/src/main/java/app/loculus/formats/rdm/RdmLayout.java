package app.loculus.formats.rdm;

import app.loculus.core.device.Uid;
import app.loculus.formats.rdm.RdmMessage.Envelope;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Optional;

/** Where each field of a message lies. */
public final class RdmLayout {

    private static final int START_CODE = 0xCC;
    private static final int SUB_START_CODE = 0x01;
    private static final int LENGTH_AT = 2;
    private static final int TO_AT = 3;
    private static final int FROM_AT = 9;
    private static final int TRANSACTION_AT = 15;
    private static final int KIND_AT = 16;
    private static final int QUEUED_AT = 17;
    private static final int PART_AT = 18;
    private static final int COMMAND_AT = 20;
    private static final int PID_AT = 21;
    private static final int DATA_LENGTH_AT = 23;
    private static final int DATA_AT = 24;
    private static final int CHECKSUM = 2;
    private static final int UID_OCTETS = 6;
    private static final int LAST_PART = 512;
    private static final int ALL_PARTS = 0xFFFF;

    private RdmLayout() {}

    /** @throws IllegalArgumentException for more than 231 octets of data */
    public static byte[] encode(RdmMessage message) {
        if (message.data().length > RdmMessage.MOST_DATA) {
            throw new IllegalArgumentException(message.data().length + " octets of data");
        }
        Envelope e = message.envelope();
        int length = DATA_AT + message.data().length;
        ByteBuffer out = ByteBuffer.allocate(length + CHECKSUM);
        out.put((byte) START_CODE).put((byte) SUB_START_CODE).put((byte) length);
        put(out, e.to());
        put(out, e.from());
        out.put((byte) e.transaction())
                .put((byte) e.kind())
                .put((byte) e.queued())
                .putShort((short) e.part());
        out.put((byte) message.command().octet()).putShort((short) message.pid());
        out.put((byte) message.data().length).put(message.data());
        out.putShort((short) sum(out.array(), length));
        return out.array();
    }

    private static void put(ByteBuffer out, Uid uid) {
        out.putShort((short) uid.maker()).putInt((int) uid.serial());
    }

    /** All octets added up, in 16 bits. */
    private static int sum(byte[] octets, int length) {
        int sum = 0;
        for (int i = 0; i < length; i++) {
            sum += octets[i] & 0xFF;
        }
        return sum & 0xFFFF;
    }

    /** Empty for anything that is not one whole message with the right sum. */
    public static Optional<RdmMessage> decode(byte[] octets) {
        if (octets.length < DATA_AT + CHECKSUM
                || (octets[0] & 0xFF) != START_CODE
                || octets[1] != SUB_START_CODE
                || (octets[LENGTH_AT] & 0xFF) + CHECKSUM != octets.length
                || (octets[DATA_LENGTH_AT] & 0xFF) + DATA_AT + CHECKSUM != octets.length) {
            return Optional.empty();
        }
        ByteBuffer in = ByteBuffer.wrap(octets);
        int part = in.getShort(PART_AT) & 0xFFFF;
        boolean whole = (in.getShort(octets.length - CHECKSUM) & 0xFFFF) == sum(octets, octets.length - CHECKSUM);
        if (!whole || part > LAST_PART && part != ALL_PARTS) {
            return Optional.empty();
        }
        return RdmCommand.of(octets[COMMAND_AT] & 0xFF)
                .map(command -> new RdmMessage(
                        new Envelope(
                                uid(octets, TO_AT),
                                uid(octets, FROM_AT),
                                octets[TRANSACTION_AT] & 0xFF,
                                octets[KIND_AT] & 0xFF,
                                octets[QUEUED_AT] & 0xFF,
                                part),
                        command,
                        in.getShort(PID_AT) & 0xFFFF,
                        Arrays.copyOfRange(octets, DATA_AT, octets.length - CHECKSUM)));
    }

    static Uid uid(byte[] octets, int at) {
        long value = 0;
        for (int i = 0; i < UID_OCTETS; i++) {
            value = value << Byte.SIZE | octets[at + i] & 0xFF;
        }
        return Uid.of(value);
    }

    /** The six octets of an identity. */
    public static byte[] octets(Uid uid) {
        ByteBuffer out = ByteBuffer.allocate(UID_OCTETS);
        put(out, uid);
        return out.array();
    }
}
