package app.loculus.formats.artnet;

import java.nio.ByteBuffer;

/** Says to nodes that what they were sent counts now. */
public final class ArtSync {

    /** A node that hears none for so long goes on without. */
    public static final long LOST_NANOS = 4_000_000_000L;

    private static final int OCTETS = 14;

    private ArtSync() {}

    public static byte[] encode() {
        ByteBuffer out = ByteBuffer.allocate(OCTETS);
        ArtHeader.write(out, ArtHeader.SYNC);
        return out.array();
    }

    public static boolean is(byte[] datagram, int length) {
        return ArtHeader.is(datagram, length, ArtHeader.END, ArtHeader.SYNC);
    }
}
