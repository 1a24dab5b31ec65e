package app.loculus.formats.e131;

import java.util.Arrays;
import java.util.UUID;

/**
 * One data packet.
 *
 * @param cid the sending component
 * @param sourceName at most 63 octets of UTF-8 go out
 * @param priority 0 to 200
 * @param sequence 0 to 255, per universe
 * @param options see the constants
 * @param sync synchronisation address that the slots wait for, 0 for none
 * @param startCode 0 for levels; anything else is not levels
 * @param slots 0 to 512 of them, unsigned octets
 */
public record DataPacket(
        UUID cid,
        String sourceName,
        int priority,
        int sequence,
        int options,
        int sync,
        int universe,
        int startCode,
        byte[] slots) {

    public static final int PREVIEW_DATA = 0x80;
    public static final int STREAM_TERMINATED = 0x40;

    /** Where nobody synchronises any more, the receiver goes on without. */
    public static final int FORCE_SYNCHRONISATION = 0x20;

    public static final int USUAL_PRIORITY = 100;

    /** One that counts at once. */
    public DataPacket(
            UUID cid,
            String sourceName,
            int priority,
            int sequence,
            int options,
            int universe,
            int startCode,
            byte[] slots) {
        this(cid, sourceName, priority, sequence, options, 0, universe, startCode, slots);
    }

    public boolean terminates() {
        return (options & STREAM_TERMINATED) != 0;
    }

    /** Whether a receiver may put it on stage. */
    public boolean carriesLevels() {
        return startCode == 0 && (options & PREVIEW_DATA) == 0;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof DataPacket p
                && Arrays.equals(DataPacketLayout.encode(p), DataPacketLayout.encode(this));
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(slots) * 31 + universe;
    }
}
