package app.loculus.app.store.disk;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The revision up to which each show was acknowledged, in a small file beside the database: a slot of 16 octets a show
 * (revision, checksum), at 16 times its id. A database that is behind it was cut or replaced by an older one.
 */
public final class Kept implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Kept.class);
    static final String FILE = "loculus.kept";
    private static final int SLOT = 16;

    private final FileChannel channel;

    private Kept(FileChannel channel) {
        this.channel = channel;
    }

    static Kept in(Path folder) {
        try {
            return new Kept(FileChannel.open(
                    folder.resolve(FILE),
                    StandardOpenOption.CREATE,
                    StandardOpenOption.READ,
                    StandardOpenOption.WRITE));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Nothing is remembered. */
    public static Kept nowhere() {
        return new Kept(null);
    }

    /** Called after the sync. A mark that cannot be written is only late: the database is ahead of it then. */
    public void mark(long show, long revision) {
        if (channel == null) {
            return;
        }
        ByteBuffer slot = ByteBuffer.allocate(SLOT)
                .putLong(revision)
                .putLong(sum(show, revision))
                .flip();
        try {
            channel.write(slot, show * SLOT);
        } catch (IOException e) {
            LOG.warn("The kept revision could not be noted: {}", e.getMessage());
        }
    }

    /** Revision by show; slots that make no sense are left out. */
    Map<Long, Long> all() {
        Map<Long, Long> marks = new LinkedHashMap<>();
        try {
            long slots = channel == null ? 0 : channel.size() / SLOT;
            for (long show = 1; show < slots; show++) {
                ByteBuffer slot = ByteBuffer.allocate(SLOT);
                channel.read(slot, show * SLOT);
                slot.flip();
                long revision = slot.getLong();
                if (slot.getLong() == sum(show, revision)) {
                    marks.put(show, revision);
                }
            }
        } catch (IOException e) {
            LOG.warn("The kept revisions cannot be read: {}", e.getMessage());
        }
        return marks;
    }

    private static long sum(long show, long revision) {
        CRC32 crc = new CRC32();
        crc.update(ByteBuffer.allocate(SLOT).putLong(show).putLong(revision).array());
        return crc.getValue() | 1L << 32;
    }

    /** Forgets everything, after a person has chosen to go on with what is there. */
    static void forget(Path folder) throws IOException {
        if (Files.exists(folder.resolve(FILE))) {
            try (RandomAccessFile file =
                    new RandomAccessFile(folder.resolve(FILE).toFile(), "rw")) {
                file.setLength(0);
            }
        }
    }

    @Override
    public void close() throws IOException {
        if (channel != null) {
            channel.close();
        }
    }
}
