package app.loculus.formats.artnet;

import java.nio.ByteBuffer;

/** Asks every node that hears it to answer who it is and which port addresses it takes. */
public final class ArtPoll {

    /** Nodes that missed three of them, at the pace of the standard (2.5 to 3 s), are gone. */
    public static final long EVERY_NANOS = 2_500_000_000L;

    private static final int OCTETS = 14;

    private ArtPoll() {}

    /** Asks for an answer now, and for no diagnostics. */
    public static byte[] encode() {
        ByteBuffer out = ByteBuffer.allocate(OCTETS);
        ArtHeader.write(out, ArtHeader.POLL);
        return out.array();
    }

    public static boolean is(byte[] datagram, int length) {
        return ArtHeader.is(datagram, length, OCTETS, ArtHeader.POLL);
    }
}
