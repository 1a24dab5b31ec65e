package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;

/**
 * One file of the log that is written ahead of the database. Layout, in octets, big-endian:
 *
 * <pre>
 * head    4,096   mark 8, generation 8, length of the database when it was begun 8, checksum 8; zeros
 * base    8,192   the beginning of the database when it was begun, zeros where it was shorter
 * frames          each begins at a multiple of 4,096:
 *                 mark 4, generation 8, number 4, writes 4, length of what follows the checksum 4, checksum 8, writes; zeros
 * </pre>
 *
 * A frame is synced before the next one is begun, so that a cut of power leaves at most the last one unreadable. The
 * checksums are CRC-32C over everything beside them.
 */
final class AheadSegment implements AutoCloseable {

    static final String PREFIX = "loculus.ahead-";

    /** What a disk writes as one: nothing that was synced shares it with what is written later. */
    static final int BLOCK = 4096;

    /** How much of the database's beginning is kept, to know it by. */
    static final int BASE = 2 * BLOCK;

    private static final int FIRST_FRAME = BLOCK + BASE;
    private static final long HEAD_MARK = 0x4C6F634168643031L;
    private static final int FRAME_MARK = 0x4C614672;
    private static final int FRAME_HEAD = 4 + 8 + 4 + 4 + 4 + 8;

    /** More than any frame holds. */
    private static final int LONGEST = 1 << 28;

    /** @param writes in the order in which they were made */
    record Frame(int number, List<AheadWrite> writes) {}

    /**
     * What a segment was found to hold.
     *
     * @param databaseLength of the database when it was begun, in octets
     * @param base the beginning of the database then
     * @param lost frames that lie behind one that cannot be read; a cut of power leaves none
     */
    record Content(Path file, long generation, long databaseLength, byte[] base, List<Frame> frames, int lost) {}

    private final FileChannel channel;
    private final Path file;
    private final long generation;
    private long end = FIRST_FRAME;
    private int frames;

    private AheadSegment(FileChannel channel, Path file, long generation) {
        this.channel = channel;
        this.file = file;
        this.generation = generation;
    }

    Path file() {
        return file;
    }

    long generation() {
        return generation;
    }

    long octets() {
        return end;
    }

    static Path file(Path folder, long generation) {
        return folder.resolve(PREFIX + generation);
    }

    /** Begins one; it is on the disk when this returns. */
    static AheadSegment begin(Medium medium, Path folder, long generation, FileChannel database) throws IOException {
        Path file = file(folder, generation);
        FileChannel channel = medium.open(file);
        try {
            ByteBuffer head = ByteBuffer.allocate(FIRST_FRAME);
            head.putLong(HEAD_MARK).putLong(generation).putLong(database.size());
            byte[] base = beginning(database);
            head.position(BLOCK).put(base);
            head.putLong(3 * Long.BYTES, sum(head.array(), 0, 3 * Long.BYTES, base, 0, base.length));
            channel.truncate(0);
            fully(channel, head.flip(), 0);
            channel.force(true);
            medium.syncFolder(folder);
            return new AheadSegment(channel, file, generation);
        } catch (IOException | RuntimeException e) {
            channel.close();
            throw e;
        }
    }

    static byte[] beginning(FileChannel database) throws IOException {
        ByteBuffer base = ByteBuffer.allocate(BASE);
        while (base.hasRemaining() && database.read(base, base.position()) > 0) {
            // until it is full or the file ends
        }
        return base.array();
    }

    /** Appends writes and syncs them. When that fails nothing of them is there. */
    void append(List<AheadWrite> writes) throws IOException {
        int length = writes.stream().mapToInt(AheadWrite::length).sum();
        ByteBuffer frame = ByteBuffer.allocate((FRAME_HEAD + length + BLOCK - 1) / BLOCK * BLOCK);
        frame.putInt(FRAME_MARK)
                .putLong(generation)
                .putInt(frames + 1)
                .putInt(writes.size())
                .putInt(length);
        int sum = frame.position();
        frame.putLong(0);
        writes.forEach(w -> w.write(frame));
        frame.putLong(sum, sum(frame.array(), 0, sum, frame.array(), FRAME_HEAD, length));
        frame.clear();
        try {
            fully(channel, frame, end);
            channel.force(false);
        } catch (IOException e) {
            channel.truncate(end);
            throw e;
        }
        end += frame.capacity();
        frames++;
    }

    private static void fully(FileChannel channel, ByteBuffer octets, long at) throws IOException {
        long next = at;
        while (octets.hasRemaining()) {
            next += channel.write(octets, next);
        }
    }

    private static long sum(byte[] one, int from, int length, byte[] other, int otherFrom, int otherLength) {
        CRC32C crc = new CRC32C();
        crc.update(one, from, length);
        crc.update(other, otherFrom, otherLength);
        return crc.getValue() | 1L << 32;
    }

    /** @return nothing but its generation when it was not wholly begun */
    static Content read(Medium medium, Path file) throws IOException {
        try (FileChannel channel = medium.open(file)) {
            ByteBuffer head = block(channel, 0, FIRST_FRAME);
            long generation = head.getLong(Long.BYTES);
            byte[] base = new byte[BASE];
            head.get(BLOCK, base);
            boolean whole = head.getLong(0) == HEAD_MARK
                    && file.getFileName().toString().equals(PREFIX + generation)
                    && head.getLong(3 * Long.BYTES) == sum(head.array(), 0, 3 * Long.BYTES, base, 0, BASE);
            if (!whole) {
                return new Content(file, -1, 0, base, List.of(), 0);
            }
            List<Frame> frames = new ArrayList<>();
            long at = FIRST_FRAME;
            ByteBuffer octets = frame(channel, at, generation);
            while (octets != null && octets.getInt(12) == frames.size() + 1) {
                frames.add(frame(octets));
                at += blocks(octets);
                octets = frame(channel, at, generation);
            }
            return new Content(
                    file, generation, head.getLong(2 * Long.BYTES), base, frames, behind(channel, at, generation));
        }
    }

    /** Frames that can be read behind a place where one cannot. */
    private static int behind(FileChannel channel, long at, long generation) throws IOException {
        int count = 0;
        long next = at;
        while (next < channel.size()) {
            ByteBuffer octets = frame(channel, next, generation);
            count += octets == null ? 0 : 1;
            next += octets == null ? BLOCK : blocks(octets);
        }
        return count;
    }

    private static long blocks(ByteBuffer frame) {
        return (frame.capacity() + BLOCK - 1L) / BLOCK * BLOCK;
    }

    private static ByteBuffer block(FileChannel channel, long at, int length) throws IOException {
        ByteBuffer octets = ByteBuffer.allocate(length);
        while (octets.hasRemaining() && channel.read(octets, at + octets.position()) > 0) {
            // what is missing stays zero
        }
        return octets;
    }

    /** @return the octets of the frame at a place, or null when there is none that is whole */
    private static ByteBuffer frame(FileChannel channel, long at, long generation) throws IOException {
        ByteBuffer head = block(channel, at, FRAME_HEAD);
        int length = head.getInt(20);
        if (head.getInt(0) != FRAME_MARK
                || head.getLong(4) != generation
                || length < 0
                || length > Math.min(LONGEST, channel.size() - at)) {
            return null;
        }
        ByteBuffer frame = block(channel, at, FRAME_HEAD + length);
        long sum = sum(frame.array(), 0, FRAME_HEAD - Long.BYTES, frame.array(), FRAME_HEAD, length);
        return frame.getLong(FRAME_HEAD - Long.BYTES) == sum ? frame : null;
    }

    private static Frame frame(ByteBuffer octets) throws IOException {
        List<AheadWrite> writes = new ArrayList<>();
        int count = octets.getInt(16);
        octets.position(FRAME_HEAD);
        try {
            for (int i = 0; i < count; i++) {
                writes.add(AheadWrite.read(octets));
            }
        } catch (BufferUnderflowException e) {
            throw new IOException("A frame that is whole does not hold what it says.", e);
        }
        return new Frame(octets.getInt(12), writes);
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
