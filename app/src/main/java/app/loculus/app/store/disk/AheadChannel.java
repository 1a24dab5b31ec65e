package app.loculus.app.store.disk;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.locks.ReentrantLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import org.h2.store.fs.FileBase;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The database's file, written ahead: what is written stays in memory until {@link #force}, which first brings all of it
 * into the log, synced and checksummed, and only then into the file. The file itself is synced now and then, and what the
 * log held up to there is deleted. So whatever of the file's writes a cut of power leaves out or tears, the log has them.
 *
 * <p>Safe to share between threads. Once something could not be kept every further call fails until it is opened anew.
 */
final class AheadChannel extends FileBase {

    private static final Logger LOG = LoggerFactory.getLogger(AheadChannel.class);

    /** What waits in memory, in octets; more goes into the log without being asked. */
    private static final long MOST_WAITING = 8L << 20;

    /** So many times longer than it should be no segment becomes, even if everybody has to wait. */
    private static final int LONGEST = 8;

    private final FileChannel file;
    private final Medium medium;
    private final Path folder;
    private final FileLock held;
    private final ReentrantReadWriteLock waitingLock = new ReentrantReadWriteLock();
    private final ReentrantLock flushing = new ReentrantLock();
    private final List<AheadWrite> waiting = new ArrayList<>();
    private int logged;
    private long waitingOctets;
    private long size;
    private long position;
    private long generation;
    private AheadSegment segment;
    private Thread settling;
    private volatile IOException broken;

    /** Opens it, and brings it to where its log is, unless another process has it. */
    AheadChannel(Medium medium, Path database) throws IOException {
        this.medium = medium;
        this.folder = database.getParent();
        this.file = medium.open(database);
        try {
            this.held = taken();
            if (held != null) {
                AheadRecovery.Done done = AheadRecovery.recover(medium, folder, file);
                this.generation = done.nextGeneration();
                if (done.frames() > 0) {
                    LOG.debug("{} synced entries of the log were done to the database once more", done.frames());
                }
            }
            this.size = file.size();
        } catch (IOException | RuntimeException e) {
            file.close();
            throw e;
        }
    }

    /** @return null when another process, or this one, has it open already */
    private FileLock taken() throws IOException {
        try {
            return file.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    private void check() throws IOException {
        if (broken != null) {
            throw new IOException("Nothing can be written: " + broken.getMessage(), broken);
        }
    }

    @Override
    public int read(ByteBuffer into, long at) throws IOException {
        check();
        waitingLock.readLock().lock();
        try {
            if (waiting.isEmpty()) {
                return file.read(into, at);
            }
            int count = (int) Math.min(into.remaining(), size - at);
            if (count <= 0) {
                return into.hasRemaining() ? -1 : 0;
            }
            byte[] octets = new byte[count];
            ByteBuffer read = ByteBuffer.wrap(octets);
            while (read.hasRemaining() && file.read(read, at + read.position()) > 0) {
                // what lies behind the end of the file is waiting, or zero
            }
            waiting.forEach(w -> cutOrPut(w, octets, count, at));
            into.put(octets);
            return count;
        } finally {
            waitingLock.readLock().unlock();
        }
    }

    private static void cutOrPut(AheadWrite write, byte[] octets, int count, long at) {
        if (write.cuts()) {
            int first = (int) Math.min(count, Math.max(0, write.at() - at));
            Arrays.fill(octets, first, count, (byte) 0);
        } else {
            write.over(octets, count, at);
        }
    }

    @Override
    public int write(ByteBuffer source, long at) throws IOException {
        int count = source.remaining();
        waits(AheadWrite.put(at, source));
        return count;
    }

    private void waits(AheadWrite write) throws IOException {
        check();
        boolean many;
        waitingLock.writeLock().lock();
        try {
            waiting.add(write);
            waitingOctets += write.length();
            size = write.cuts() ? Math.min(size, write.at()) : Math.max(size, write.end());
            many = waitingOctets > MOST_WAITING;
        } finally {
            waitingLock.writeLock().unlock();
        }
        if (many) {
            flush();
        }
    }

    @Override
    public FileChannel truncate(long length) throws IOException {
        if (length < size) {
            waits(AheadWrite.cut(length));
        }
        position = Math.min(position, length);
        return this;
    }

    @Override
    public void force(boolean metaData) throws IOException {
        flush();
    }

    /** Everything that waits goes into the log, and then into the file. */
    private void flush() throws IOException {
        flushing.lock();
        try {
            check();
            List<AheadWrite> fresh = fresh();
            if (!fresh.isEmpty()) {
                into().append(fresh);
                logged += fresh.size();
            }
            toFile();
        } catch (IOException e) {
            broken = broken == null ? e : broken;
            throw e;
        } finally {
            flushing.unlock();
        }
    }

    /** What is not in the log yet. */
    private List<AheadWrite> fresh() {
        waitingLock.readLock().lock();
        try {
            return List.copyOf(waiting.subList(logged, waiting.size()));
        } finally {
            waitingLock.readLock().unlock();
        }
    }

    /** What is in the log goes into the file. Where the file cannot take it, it goes on waiting: it is kept all the same. */
    private void toFile() throws IOException {
        waitingLock.writeLock().lock();
        int done = 0;
        try {
            while (done < logged) {
                waiting.get(done).doTo(file);
                done++;
            }
        } catch (IOException e) {
            if (waitingOctets > MOST_WAITING) {
                throw e;
            }
            LOG.warn("The database waits in its log: {}", e.getMessage());
        } finally {
            List<AheadWrite> finished = waiting.subList(0, done);
            waitingOctets -= finished.stream().mapToLong(AheadWrite::length).sum();
            finished.clear();
            logged -= done;
            waitingLock.writeLock().unlock();
        }
    }

    /** The segment that is written to; a long one is ended, and the file is synced up to there in the background. */
    private AheadSegment into() throws IOException {
        if (segment != null && segment.octets() > LONGEST * medium.segment() && settling != null) {
            await(settling);
        }
        boolean ends = segment != null && segment.octets() > medium.segment() && logged == 0 && !settles();
        if (segment == null || ends) {
            AheadSegment next = AheadSegment.begin(medium, folder, generation++, file);
            AheadSegment ended = segment;
            segment = next;
            if (ended != null) {
                settling = new Thread(() -> settle(ended), "ahead");
                settling.setDaemon(true);
                settling.start();
            }
        }
        return segment;
    }

    private boolean settles() {
        return settling != null && settling.isAlive();
    }

    private static void await(Thread thread) {
        boolean interrupted = false;
        while (thread.isAlive()) {
            try {
                thread.join();
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }

    /** All that a segment holds is in the file; when that is synced the segment is not needed any more. */
    private void settle(AheadSegment ended) {
        try {
            ended.close();
            file.force(true);
            medium.delete(ended.file());
        } catch (IOException e) {
            // The next one that is ended or a start finds it; it is only longer than it need be.
            LOG.warn("The database could not be synced: {}", e.getMessage());
        }
    }

    @Override
    public long size() {
        waitingLock.readLock().lock();
        try {
            return size;
        } finally {
            waitingLock.readLock().unlock();
        }
    }

    @Override
    public long position() {
        return position;
    }

    @Override
    public FileChannel position(long to) {
        position = to;
        return this;
    }

    @Override
    public synchronized int read(ByteBuffer into) throws IOException {
        int count = read(into, position);
        position += Math.max(0, count);
        return count;
    }

    @Override
    public synchronized int write(ByteBuffer source) throws IOException {
        int count = write(source, position);
        position += count;
        return count;
    }

    /** The lock that was taken when it was opened. */
    @Override
    public FileLock tryLock(long at, long length, boolean shared) throws IOException {
        return held;
    }

    /** After a whole end there is no log. */
    @Override
    protected void implCloseChannel() throws IOException {
        try {
            if (broken == null && held != null) {
                flush();
                if (settling != null) {
                    await(settling);
                }
                if (segment != null && logged == 0) {
                    file.force(true);
                    segment.close();
                    medium.delete(segment.file());
                    medium.syncFolder(folder);
                }
            }
        } finally {
            if (segment != null) {
                segment.close();
            }
            file.close();
        }
    }
}
