package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.stream.Stream;

/** What files lie on; a test puts one in its place that loses what was not synced. */
class Medium {

    /** A segment of the log that has become longer is ended, in octets: what a start after a kill does once more. */
    private static final long SEGMENT = 8L << 20;

    long segment() {
        return SEGMENT;
    }

    /** For reading and writing; made when it is not there. */
    FileChannel open(Path file) throws IOException {
        return FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
    }

    void delete(Path file) throws IOException {
        Files.deleteIfExists(file);
    }

    /** Files of a folder whose names begin so. */
    List<Path> list(Path folder, String prefix) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(f -> f.getFileName().toString().startsWith(prefix))
                    .sorted()
                    .toList();
        }
    }

    /** Brings names that were made and deleted onto the disk. */
    void syncFolder(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }
}
