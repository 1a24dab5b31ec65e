package app.loculus.app.store.disk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Copies of the database: one at each start after something was written, one a day while running, the last five. */
public final class Backups {

    public static final String FOLDER = "backups";
    static final String SUFFIX = ".mv.db";
    private static final int KEPT = 5;
    private static final String PREFIX = "loculus-";
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH-mm-ss");
    private static final DateTimeFormatter SPOKEN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss");

    /** One copy. @param octets how large it is */
    public record Copy(String name, LocalDateTime madeAt, long octets) {

        String words() {
            return madeAt.format(SPOKEN);
        }
    }

    private Backups() {}

    /** Newest first. */
    public static List<Copy> in(Path folder) {
        Path all = folder.resolve(FOLDER);
        if (!Files.isDirectory(all)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(all)) {
            return files.filter(Backups::isCopy)
                    .map(Backups::copy)
                    .sorted(Comparator.comparing(Copy::madeAt).reversed())
                    .toList();
        } catch (IOException e) {
            return List.of();
        }
    }

    private static boolean isCopy(Path file) {
        return file.getFileName()
                .toString()
                .matches(PREFIX + "\\d{4}-\\d\\d-\\d\\dT\\d\\d-\\d\\d-\\d\\d" + "\\.mv\\.db");
    }

    private static Copy copy(Path file) {
        String name = file.getFileName().toString();
        String time = name.substring(PREFIX.length(), name.length() - SUFFIX.length());
        return new Copy(name, LocalDateTime.parse(time, TIME), file.toFile().length());
    }

    /** Where the next copy goes. It gets its name when it is whole. */
    static Path next(Path folder, Clock clock) throws IOException {
        Files.createDirectories(folder.resolve(FOLDER));
        return folder.resolve(FOLDER).resolve(PREFIX + LocalDateTime.now(clock).format(TIME) + SUFFIX);
    }

    /** Copies a database that nobody has open. */
    static void copy(Path folder, Path database, Clock clock) {
        try {
            Path to = next(folder, clock);
            Path half = to.resolveSibling(to.getFileName() + ".part");
            Files.copy(database, half, StandardCopyOption.REPLACE_EXISTING);
            keep(half, to);
            prune(folder);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Gives a copy its name when it is whole on the disk. */
    static void keep(Path half, Path to) throws IOException {
        Medium medium = new Medium();
        try (FileChannel channel = medium.open(half)) {
            channel.force(true);
        }
        Files.move(half, to, StandardCopyOption.ATOMIC_MOVE);
        medium.syncFolder(to.getParent());
    }

    static void prune(Path folder) throws IOException {
        for (Copy old : in(folder).stream().skip(KEPT).toList()) {
            Files.deleteIfExists(folder.resolve(FOLDER).resolve(old.name()));
        }
    }
}
