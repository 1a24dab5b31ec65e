package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;

/**
 * Something that is done to the database's file: octets that are put at a place, or all behind a place that is cut off.
 *
 * @param at in octets from the beginning of the file
 * @param octets nothing when the file is cut off there
 */
record AheadWrite(long at, byte[] octets, boolean cuts) {

    private static final byte PUT = 1;
    private static final byte CUT = 2;
    private static final int PUT_HEAD = 1 + Long.BYTES + Integer.BYTES;
    private static final int CUT_HEAD = 1 + Long.BYTES;

    static AheadWrite put(long at, ByteBuffer source) {
        byte[] octets = new byte[source.remaining()];
        source.get(octets);
        return new AheadWrite(at, octets, false);
    }

    static AheadWrite cut(long at) {
        return new AheadWrite(at, new byte[0], true);
    }

    long end() {
        return at + octets.length;
    }

    /** How many octets it takes as {@link #write} lays it down. */
    int length() {
        return cuts ? CUT_HEAD : PUT_HEAD + octets.length;
    }

    void write(ByteBuffer into) {
        into.put(cuts ? CUT : PUT).putLong(at);
        if (!cuts) {
            into.putInt(octets.length).put(octets);
        }
    }

    /** @throws java.nio.BufferUnderflowException when it does not end where it should */
    static AheadWrite read(ByteBuffer from) throws IOException {
        byte sort = from.get();
        long at = from.getLong();
        if (sort == CUT) {
            return cut(at);
        }
        int length = from.getInt();
        if (sort != PUT || at < 0 || length < 0 || length > from.remaining()) {
            throw new IOException("A write of an unknown sort.");
        }
        byte[] octets = new byte[length];
        from.get(octets);
        return new AheadWrite(at, octets, false);
    }

    void doTo(FileChannel file) throws IOException {
        if (cuts) {
            file.truncate(at);
            return;
        }
        ByteBuffer source = ByteBuffer.wrap(octets);
        while (source.hasRemaining()) {
            file.write(source, at + source.position());
        }
    }

    /** Puts what it would have changed into octets that were read without it. @param from where they begin */
    void over(byte[] read, int count, long from) {
        long first = Math.max(at, from);
        long last = Math.min(end(), from + count);
        if (first < last) {
            System.arraycopy(octets, (int) (first - at), read, (int) (first - from), (int) (last - first));
        }
    }
}
