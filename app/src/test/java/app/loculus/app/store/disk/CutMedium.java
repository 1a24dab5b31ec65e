package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.h2.store.fs.FileBase;

/**
 * A medium that writes down all that is done to it, and makes what lies on the disk after a cut of power at any moment: of
 * what was not synced each sector may be there in any of its states, and each name may be there or not.
 */
final class CutMedium extends Medium {

    private static final int SECTOR = 512;

    private enum Sort {
        MAKE,
        DELETE,
        PUT,
        CUT,
        SYNC,
        SYNC_FOLDER
    }

    private record Step(Sort sort, String file, long at, byte[] octets) {}

    /** A file on the disk. */
    private static final class Lying {
        private byte[] synced = new byte[0];
        private final List<Step> since = new ArrayList<>();
        private boolean named;
        private boolean gone;
    }

    private final List<Step> steps = new ArrayList<>();
    private final boolean syncs;
    private final long segment;

    /** @param syncs whether a sync does anything; a medium on which it does not stands for one that was forgotten */
    CutMedium(boolean syncs, long segment) {
        this.syncs = syncs;
        this.segment = segment;
    }

    @Override
    long segment() {
        return segment;
    }

    /** How much has been done so far. */
    synchronized int moment() {
        return steps.size();
    }

    private synchronized void note(Sort sort, Path file, long at, byte[] octets) {
        steps.add(new Step(sort, file.getFileName().toString(), at, octets));
    }

    @Override
    FileChannel open(Path file) throws IOException {
        if (!Files.exists(file)) {
            note(Sort.MAKE, file, 0, new byte[0]);
        }
        return new Noting(file, super.open(file));
    }

    @Override
    void delete(Path file) throws IOException {
        note(Sort.DELETE, file, 0, new byte[0]);
        super.delete(file);
    }

    @Override
    void syncFolder(Path folder) throws IOException {
        if (syncs) {
            note(Sort.SYNC_FOLDER, folder, 0, new byte[0]);
        }
    }

    /** Makes the files as they may lie after a cut of power. */
    synchronized void cut(int moment, Random random, Path folder) throws IOException {
        Map<String, Lying> files = new LinkedHashMap<>();
        for (Step step : steps.subList(0, moment)) {
            Lying file = files.computeIfAbsent(step.file(), f -> new Lying());
            switch (step.sort()) {
                case MAKE -> {
                    files.put(step.file(), new Lying());
                }
                case DELETE -> file.gone = true;
                case SYNC -> {
                    file.synced = after(file, null);
                    file.since.clear();
                }
                case SYNC_FOLDER -> {
                    files.values().removeIf(f -> f.gone);
                    files.values().forEach(f -> f.named = true);
                }
                default -> file.since.add(step);
            }
        }
        for (Map.Entry<String, Lying> e : files.entrySet()) {
            Lying file = e.getValue();
            boolean there = file.gone ? random.nextBoolean() : file.named || random.nextBoolean();
            if (there && e.getKey().startsWith("loculus.")) {
                Files.write(folder.resolve(e.getKey()), after(file, random));
            }
        }
    }

    /** @param random chooses what has arrived; null when all has */
    private static byte[] after(Lying file, Random random) {
        TreeMap<Long, byte[]> sectors = new TreeMap<>();
        long length = file.synced.length;
        int torn = random == null ? 0 : random.nextInt(4);
        int missing = random == null || random.nextBoolean() ? -1 : file.since.size() - 1 - random.nextInt(2);
        for (int at = 0; at < file.synced.length; at += SECTOR) {
            byte[] sector = new byte[SECTOR];
            System.arraycopy(file.synced, at, sector, 0, Math.min(SECTOR, file.synced.length - at));
            sectors.put((long) at / SECTOR, sector);
        }
        for (int i = 0; i < file.since.size(); i++) {
            Step step = file.since.get(i);
            // Of some cuts all but one write arrives, of others all or nothing of each, or each sector by itself.
            boolean one = missing >= 0 && i == missing;
            boolean whole = random == null || missing >= 0 && !one || torn == 0 && random.nextBoolean();
            boolean nothing = one || random != null && torn == 0 && !whole;
            if (step.sort() == Sort.CUT) {
                if (random == null || random.nextBoolean()) {
                    long end = step.at();
                    length = Math.min(length, end);
                    sectors.tailMap(end / SECTOR, false).clear();
                    byte[] last = sectors.get(end / SECTOR);
                    if (last != null) {
                        java.util.Arrays.fill(last, (int) (end % SECTOR), SECTOR, (byte) 0);
                    }
                }
                continue;
            }
            for (long n = step.at() / SECTOR; !nothing && n * SECTOR < step.at() + step.octets().length; n++) {
                if (whole || random.nextInt(4) >= torn) {
                    byte[] sector = sectors.computeIfAbsent(n, x -> new byte[SECTOR]);
                    long from = Math.max(step.at(), n * SECTOR);
                    long to = Math.min(step.at() + step.octets().length, (n + 1) * SECTOR);
                    System.arraycopy(step.octets(), (int) (from - step.at()), sector, (int) (from - n * SECTOR), (int)
                            (to - from));
                    length = Math.max(length, to);
                }
            }
        }
        byte[] all = new byte[(int) length];
        sectors.forEach((n, sector) -> {
            int at = (int) (n * SECTOR);
            if (at < all.length) {
                System.arraycopy(sector, 0, all, at, Math.min(SECTOR, all.length - at));
            }
        });
        return all;
    }

    /** A file that writes down what is done to it. */
    private final class Noting extends FileBase {
        private final Path path;
        private final FileChannel file;

        Noting(Path path, FileChannel file) {
            this.path = path;
            this.file = file;
        }

        @Override
        public int read(ByteBuffer into, long at) throws IOException {
            return file.read(into, at);
        }

        @Override
        public int write(ByteBuffer source, long at) throws IOException {
            byte[] octets = new byte[source.remaining()];
            source.duplicate().get(octets);
            note(Sort.PUT, path, at, octets);
            return file.write(source, at);
        }

        @Override
        public FileChannel truncate(long length) throws IOException {
            note(Sort.CUT, path, length, new byte[0]);
            file.truncate(length);
            return this;
        }

        @Override
        public void force(boolean metaData) {
            if (syncs) {
                note(Sort.SYNC, path, 0, new byte[0]);
            }
        }

        @Override
        public long size() throws IOException {
            return file.size();
        }

        @Override
        public long position() throws IOException {
            return file.position();
        }

        @Override
        public FileChannel position(long to) throws IOException {
            file.position(to);
            return this;
        }

        @Override
        public int read(ByteBuffer into) throws IOException {
            return file.read(into);
        }

        @Override
        public int write(ByteBuffer source) throws IOException {
            throw new IOException("Written without saying where.");
        }

        @Override
        public FileLock tryLock(long at, long length, boolean shared) throws IOException {
            return file.tryLock(at, length, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            file.close();
        }
    }
}
