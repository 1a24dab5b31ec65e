package app.loculus.app.store.disk;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.zip.ZipInputStream;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Keeps the database file small, looks whether there is room again, and makes the daily copy. Compacts in small slices:
 * in the quiet, and also under load when the file has grown large, so that no edit waits for it.
 */
@Component
class Housekeeping implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(Housekeeping.class);
    private static final long EVERY_MS = 2_000;
    private static final long QUIET_NANOS = 3_000_000_000L;

    /** Octets rewritten in one slice: some 10 ms. */
    private static final int SLICE = 1 << 20;

    /** Share of the file that should be live, percent. */
    private static final int FILL = 70;

    /** Below this a file is not worth the work. */
    private static final long SMALL = 4L << 20;

    private static final int AT_STOP_MS = 400;
    private static final Duration DAY = Duration.ofHours(24);

    private final Disk disk;
    private final DataFolder folder;
    private final HikariDataSource source;
    private final Clock clock;
    private final LocalDateTime startedAt;
    private ScheduledExecutorService rounds;

    Housekeeping(Disk disk, DataFolder folder, HikariDataSource source, Clock clock) {
        this.disk = disk;
        this.folder = folder;
        this.source = source;
        this.clock = clock.withZone(ZoneId.systemDefault());
        this.startedAt = LocalDateTime.now(this.clock);
    }

    @Override
    public void start() {
        rounds = Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "housekeeping"));
        if (!folder.inMemory()) {
            rounds.scheduleWithFixedDelay(this::round, EVERY_MS, EVERY_MS, TimeUnit.MILLISECONDS);
        }
    }

    /** What is to be done every other second. */
    void round() {
        try {
            disk.look();
            if (disk.trouble().isEmpty()) {
                compact();
                backUpDaily();
            }
        } catch (RuntimeException | SQLException | IOException e) {
            LOG.warn("Housekeeping was put off: {}", e.getMessage());
        }
    }

    private void compact() throws SQLException {
        boolean quiet = disk.nanosSinceWrite() > QUIET_NANOS;
        try (Connection connection = source.getConnection()) {
            MVStore store = store(connection);
            long size = store.getFileStore().size();
            boolean grown = size > SMALL && store.getFileStore().getFillRate() * fill(store) < 100 * FILL / 2;
            for (int slices = quiet ? 16 : 4; slices > 0 && (quiet || grown) && fill(store) < FILL; slices--) {
                if (!store.compact(FILL, SLICE)) {
                    break;
                }
                store.sync();
            }
        }
    }

    /** How much of what is stored is live, percent. */
    private static int fill(MVStore store) {
        return store.getFileStore().getChunksFillRate();
    }

    private static MVStore store(Connection connection) throws SQLException {
        SessionLocal session =
                (SessionLocal) connection.unwrap(JdbcConnection.class).getSession();
        return session.getDatabase().getStore().getMvStore();
    }

    private void backUpDaily() throws SQLException, IOException {
        LocalDateTime last = folder.copies().stream()
                .findFirst()
                .map(Backups.Copy::madeAt)
                .filter(startedAt::isBefore)
                .orElse(startedAt);
        boolean due = last.plus(DAY).isBefore(LocalDateTime.now(clock));
        if (due && folder.free() > 3 * Files.size(folder.database()) + Room.RESERVE) {
            backUp();
        }
    }

    /** Copies the open database as of one moment. */
    void backUp() throws SQLException, IOException {
        Path to = Backups.next(folder.path(), clock);
        Path zip = to.resolveSibling(to.getFileName() + ".zip");
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("backup to '" + zip.toString().replace("'", "''") + "'");
        }
        Path half = to.resolveSibling(to.getFileName() + ".part");
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip))) {
            while (!in.getNextEntry().getName().endsWith(Backups.SUFFIX)) {
                in.closeEntry();
            }
            Files.copy(in, half, StandardCopyOption.REPLACE_EXISTING);
        }
        Files.delete(zip);
        Backups.keep(half, to);
        Backups.prune(folder.path());
    }

    /** After everything that writes. */
    @Override
    public int getPhase() {
        return Integer.MIN_VALUE;
    }

    @Override
    public void stop() {
        rounds.shutdown();
        rounds = null;
        if (!folder.inMemory() && folder.enough()) {
            try (Connection connection = source.getConnection()) {
                store(connection).compactFile(AT_STOP_MS);
            } catch (SQLException | RuntimeException e) {
                LOG.warn("The database was not compacted at the stop: {}", e.getMessage());
            }
        }
    }

    @Override
    public boolean isRunning() {
        return rounds != null;
    }
}
