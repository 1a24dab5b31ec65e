package app.loculus.app.store.disk;

import app.loculus.app.config.Settings;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The folder of the database, looked over before anything is opened in it. */
public final class DataFolder implements Room {

    private static final Logger LOG = LoggerFactory.getLogger(DataFolder.class);
    private static final String DATABASE = "loculus" + Backups.SUFFIX;

    private final Path folder;
    private final boolean inMemory;

    DataFolder(Settings settings, boolean inMemory) {
        this.folder = Path.of(settings.data()).toAbsolutePath().normalize();
        this.inMemory = inMemory;
    }

    /** What the database takes with its log, in octets. */
    public long octets() {
        if (inMemory) {
            return 0;
        }
        long octets = database().toFile().length();
        try {
            for (Path segment : new Medium().list(folder, AheadSegment.PREFIX)) {
                octets += segment.toFile().length();
            }
        } catch (IOException e) {
            LOG.warn("The log of the database cannot be measured: {}", e.getMessage());
        }
        return octets;
    }

    boolean inMemory() {
        return inMemory;
    }

    public Path path() {
        return folder;
    }

    Path database() {
        return folder.resolve(DATABASE);
    }

    @Override
    public long free() {
        return inMemory ? Long.MAX_VALUE : folder.toFile().getUsableSpace();
    }

    public List<Backups.Copy> copies() {
        return inMemory ? List.of() : Backups.in(folder);
    }

    /** @throws BadData in words when nothing can be kept here */
    void lookOver() {
        if (inMemory) {
            return;
        }
        if (Files.exists(folder) && !Files.isDirectory(folder)) {
            throw new BadData(folder + " is a file, not a folder.", "Choose a folder with --data DIR.");
        }
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new BadData("The folder " + folder + " cannot be made.", "Choose another one with --data DIR.", e);
        }
        if (!Files.isWritable(folder)) {
            throw new BadData(
                    "The folder " + folder + " cannot be written.",
                    "Allow it to be written, or choose another one with --data DIR.");
        }
        if (Files.isDirectory(database())) {
            throw new BadData(database() + " is a folder; the database should be there.", BadData.restore(folder));
        }
        if (heldElsewhere()) {
            throw new BadData(
                    "Another Loculus has this data folder open.",
                    "End the other one, or choose another folder with --data DIR.");
        }
        refuseWithoutRoom();
    }

    private void refuseWithoutRoom() {
        if (!enough()) {
            throw new BadData(
                    "The disk under " + folder + " is full: " + (free() >> 20) + " MB are left, " + (RESERVE >> 20)
                            + " MB are needed to start.",
                    "Make room, or choose another folder with --data DIR. Nothing was changed.");
        }
    }

    /**
     * Brings the database to where its log is, as after a cut of power or when it was killed.
     *
     * @param asItLies whether a person has chosen to go on without the log
     * @throws BadData when the log is damaged or belongs to another database
     */
    void recover(boolean asItLies) throws IOException {
        if (inMemory) {
            return;
        }
        if (asItLies) {
            AheadRecovery.setAside(folder);
        }
        Medium medium = new Medium();
        if (medium.list(folder, AheadSegment.PREFIX).isEmpty()) {
            return;
        }
        try (FileChannel channel = medium.open(database())) {
            AheadRecovery.Done done = AheadRecovery.recover(medium, folder, channel);
            if (done.frames() > 0) {
                LOG.info(
                        "Loculus did not end by itself the last time: {} entries of its log were brought into the database",
                        done.frames());
            }
        } catch (AheadRecovery.Unfit unfit) {
            throw new BadData(
                    unfit.getMessage(),
                    BadData.restore(folder) + "\nOr go on with the database as it lies, without its log: --take-as-is",
                    unfit);
        }
    }

    /** Copies the database as the last run left it, unless nothing was written since the last copy. */
    void backUp() {
        if (inMemory || !Files.exists(database())) {
            return;
        }
        try {
            long changed = Files.getLastModifiedTime(database()).toMillis();
            boolean fresh = copies().stream()
                    .anyMatch(c -> c.madeAt()
                                    .atZone(ZoneId.systemDefault())
                                    .toInstant()
                                    .toEpochMilli()
                            > changed);
            if (!fresh && free() - Files.size(database()) >= RESERVE) {
                Backups.copy(folder, database(), Clock.systemDefaultZone());
            }
        } catch (IOException | RuntimeException e) {
            LOG.warn("No copy of the database was made at the start: {}", e.getMessage());
        }
    }

    /** Asked before the database is opened, which would only wait for the other one to end. */
    private boolean heldElsewhere() {
        if (!Files.exists(database())) {
            return false;
        }
        try (FileChannel channel = FileChannel.open(database(), StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock == null;
        } catch (OverlappingFileLockException e) {
            return true;
        } catch (IOException e) {
            return false;
        }
    }
}
