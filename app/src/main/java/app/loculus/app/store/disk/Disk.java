package app.loculus.app.store.disk;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.Condition;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The only way to change the database. {@link #commit} makes a transaction, {@link #sync} brings everything committed
 * so far onto the disk; transactions that wait together share one sync. Safe to share between threads.
 */
@Component
public class Disk {

    private static final Logger LOG = LoggerFactory.getLogger(Disk.class);

    /** H2's codes for a file that can no longer be written or a database that has closed itself. */
    private static final Set<Integer> LOST = Set.of(90028, 90030, 90031, 90067, 90098, 90121, 50000);

    private static final String FULL =
            "The disk is full: there is no room to keep this. Nothing has changed; make room and do it again.";
    private static final String BROKEN =
            "The database could not be written. Nothing of this was kept; it is opened again by itself.";

    private final HikariDataSource source;
    private final TransactionTemplate transactions;
    private final ApplicationEventPublisher events;
    private final Room room;
    private final ReentrantLock turn = new ReentrantLock();
    private final Condition turned = turn.newCondition();
    private final AtomicLong epoch = new AtomicLong();
    private long started;
    private long finished;
    private boolean syncing;
    private volatile long lastWriteNanos = System.nanoTime();
    private volatile String trouble = "";

    Disk(HikariDataSource source, PlatformTransactionManager manager, ApplicationEventPublisher events, Room room) {
        this.source = source;
        this.transactions = new TransactionTemplate(manager);
        this.events = events;
        this.room = room;
    }

    /** How often the database had to be opened again; what was committed under an earlier count may be gone. */
    public long epoch() {
        return epoch.get();
    }

    /** Why nothing can be written, in words; empty when all is well. */
    public String trouble() {
        return trouble;
    }

    long nanosSinceWrite() {
        return System.nanoTime() - lastWriteNanos;
    }

    /**
     * Makes a transaction. It is on the disk when {@link #sync} has returned.
     *
     * @throws DiskTrouble when it cannot be kept; nothing of it has happened
     */
    public <T> T commit(Supplier<T> work) {
        if (!room.enough()) {
            tell(FULL);
            throw new DiskTrouble(FULL);
        }
        long since = epoch.get();
        try {
            T made = transactions.execute(status -> work.get());
            lastWriteNanos = System.nanoTime();
            return made;
        } catch (RuntimeException e) {
            if (lost(e)) {
                throw reopened(e, since);
            }
            throw e;
        }
    }

    /**
     * Waits until everything committed so far is on the disk.
     *
     * @param since the epoch in which it was committed
     * @throws DiskTrouble when it is not sure to be there
     */
    public void sync(long since) {
        SQLException failure = null;
        turn.lock();
        try {
            long needed = started + 1;
            while (finished < needed && failure == null) {
                if (epoch.get() != since) {
                    throw new DiskTrouble(BROKEN);
                }
                failure = syncOrWait();
            }
        } finally {
            turn.unlock();
        }
        if (failure != null) {
            throw reopened(failure, since);
        }
        tell("");
    }

    /** One thread syncs for all who wait; the turn is given up meanwhile. */
    private SQLException syncOrWait() {
        if (syncing) {
            turned.awaitUninterruptibly();
            return null;
        }
        syncing = true;
        started++;
        long mine = started;
        turn.unlock();
        SQLException failure = force();
        turn.lock();
        syncing = false;
        finished = failure == null ? mine : finished;
        turned.signalAll();
        return failure;
    }

    private SQLException force() {
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("checkpoint sync");
            return null;
        } catch (SQLException e) {
            return e;
        }
    }

    private static boolean lost(Throwable e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && LOST.contains(sql.getErrorCode())) {
                return true;
            }
        }
        return false;
    }

    /** The first to notice has the database opened again; nobody goes on with what is in memory. */
    private DiskTrouble reopened(Throwable cause, long since) {
        String words = room.enough() ? BROKEN : FULL;
        if (epoch.compareAndSet(since, since + 1)) {
            LOG.error("The database could not be written and is opened again", cause);
            source.getHikariPoolMXBean().softEvictConnections();
            tell(words);
            events.publishEvent(new StorageLost());
        }
        return new DiskTrouble(words, cause);
    }

    /** Commits and syncs. */
    public <T> T write(Supplier<T> work) {
        long since = epoch.get();
        T made = commit(work);
        sync(since);
        return made;
    }

    public void write(Runnable work) {
        write(() -> {
            work.run();
            return null;
        });
    }

    /** Looks whether there is room again; called now and then. */
    void look() {
        if (!room.enough()) {
            tell(FULL);
        } else if (!trouble.isEmpty()) {
            SQLException failure = force();
            if (failure == null) {
                tell("");
            } else {
                LOG.warn("The database still cannot be written: {}", failure.getMessage());
            }
        }
    }

    private void tell(String words) {
        if (!trouble.equals(words)) {
            trouble = words;
            events.publishEvent(new StorageChanged(words));
        }
    }
}
