package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Brings a database to where its log is: everything in the log is done to the file once more, in order. It does not matter
 * which of those writes had reached the disk already, whole, in part or in another order.
 */
final class AheadRecovery {

    /** A sector: what a disk writes wholly or not at all. */
    private static final int SECTOR = 512;

    private AheadRecovery() {}

    /** A log that must not be done to the database. */
    static final class Unfit extends IOException {
        Unfit(String words) {
            super(words);
        }
    }

    /** @param frames synced together, that were done once more */
    record Done(int frames, long nextGeneration) {}

    /**
     * @param database the open file
     * @throws Unfit when the log is damaged, or belongs to another database; nothing was changed then
     */
    static Done recover(Medium medium, Path folder, FileChannel database) throws IOException {
        List<AheadSegment.Content> all = new ArrayList<>();
        for (Path file : medium.list(folder, AheadSegment.PREFIX)) {
            if (file.getFileName()
                    .toString()
                    .substring(AheadSegment.PREFIX.length())
                    .matches("\\d{1,18}")) {
                all.add(AheadSegment.read(medium, file));
            }
        }
        long last =
                all.stream().mapToLong(AheadSegment.Content::generation).max().orElse(0);
        List<AheadSegment.Content> counting = counting(all);
        refuseDamaged(counting);
        if (!counting.isEmpty()) {
            refuseForeign(counting, database);
        }
        int frames = 0;
        for (AheadSegment.Content segment : counting) {
            for (AheadSegment.Frame frame : segment.frames()) {
                for (AheadWrite write : frame.writes()) {
                    write.doTo(database);
                }
                frames++;
            }
        }
        if (frames > 0) {
            database.force(true);
        }
        if (!all.isEmpty()) {
            for (AheadSegment.Content segment : all) {
                medium.delete(segment.file());
            }
            medium.syncFolder(folder);
        }
        return new Done(frames, Math.max(last, 0) + 1);
    }

    /** The newest and those that come right before it: one that is left over from earlier does not count. */
    private static List<AheadSegment.Content> counting(List<AheadSegment.Content> all) {
        List<AheadSegment.Content> newestFirst = all.stream()
                .filter(s -> s.generation() >= 0)
                .sorted(Comparator.comparingLong(AheadSegment.Content::generation)
                        .reversed())
                .toList();
        List<AheadSegment.Content> counting = new ArrayList<>();
        for (AheadSegment.Content segment : newestFirst) {
            if (counting.isEmpty() || counting.get(0).generation() == segment.generation() + 1) {
                counting.add(0, segment);
            }
        }
        return counting;
    }

    private static void refuseDamaged(List<AheadSegment.Content> segments) throws Unfit {
        int readable = 0;
        for (AheadSegment.Content segment : segments) {
            readable += segment.frames().size();
            if (segment.lost() > 0) {
                throw new Unfit("The log beside the database is damaged in "
                        + segment.file().getFileName() + ": " + readable
                        + " of its entries can be read, then one cannot, and "
                        + segment.lost() + " more lie behind it.");
            }
        }
    }

    /** Every sector of the database's beginning is as it was when the log was begun, or as something in the log left it. */
    private static void refuseForeign(List<AheadSegment.Content> segments, FileChannel database) throws IOException {
        AheadSegment.Content first = segments.get(0);
        if (database.size() < AheadSegment.BASE && first.databaseLength() >= AheadSegment.BASE) {
            throw new Unfit(
                    "The database is missing; only its log (" + first.file().getFileName() + ") is there.");
        }
        byte[] now = AheadSegment.beginning(database);
        for (int at = 0; at < AheadSegment.BASE; at += SECTOR) {
            byte[] sector = Arrays.copyOfRange(now, at, at + SECTOR);
            if (!known(sector, at, segments)) {
                throw new Unfit("The log beside the database (" + first.file().getFileName()
                        + ") belongs to another database, as if this one had been replaced.");
            }
        }
    }

    private static boolean known(byte[] sector, int at, List<AheadSegment.Content> segments) {
        byte[] base = segments.get(0).base();
        byte[] state = Arrays.copyOfRange(base, at, at + SECTOR);
        if (Arrays.equals(sector, state) || Arrays.equals(sector, new byte[SECTOR])) {
            return true;
        }
        for (AheadSegment.Content segment : segments) {
            for (AheadSegment.Frame frame : segment.frames()) {
                for (AheadWrite write : frame.writes()) {
                    write.over(state, SECTOR, at);
                    if (Arrays.equals(sector, state)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** Puts the log aside, after a person has chosen to go on with the database as it lies. */
    static void setAside(Path folder) throws IOException {
        for (Path file : new Medium().list(folder, AheadSegment.PREFIX)) {
            Files.move(
                    file,
                    folder.resolve(
                            "loculus.set-aside." + file.getFileName().toString().substring("loculus.".length())),
                    StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
