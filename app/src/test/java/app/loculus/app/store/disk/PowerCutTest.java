package app.loculus.app.store.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.h2.store.fs.FilePath;
import org.h2.store.fs.FilePathWrapper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Whatever of the writes since the last sync a cut of power leaves out, tears or puts in another order: what was
 * acknowledged is there, the database opens and can be written on.
 */
class PowerCutTest {

    private static final String SETTINGS =
            "/loculus;WRITE_DELAY=500;RETENTION_TIME=0;AUTO_COMPACT_FILL_RATE=0;DB_CLOSE_ON_EXIT=FALSE";

    @TempDir
    Path folder;

    @TempDir
    Path cuts;

    /** A database under which a medium writes down what is done. Made by H2 itself, so that the medium is found here. */
    public static final class CutPath extends AheadPath {
        private static CutMedium medium = new CutMedium(true, 0);

        static void register(CutMedium under) {
            medium = under;
            FilePath.register(new CutPath());
        }

        @Override
        CutMedium medium() {
            return medium;
        }

        @Override
        public String getScheme() {
            return "cut";
        }
    }

    /** The file of H2 as it comes, with no log ahead of it. */
    public static final class BarePath extends FilePathWrapper {

        @Override
        public String getScheme() {
            return "bare";
        }

        @Override
        public FileChannel open(String mode) throws IOException {
            return getName().endsWith(".mv.db")
                    ? CutPath.medium.open(Path.of(getBase().toString()))
                    : super.open(mode);
        }
    }

    /** So far everything up to this number was acknowledged. */
    private record Acknowledged(int moment, int number) {}

    private static Connection open(String scheme, Path folder) throws SQLException {
        return DriverManager.getConnection("jdbc:h2:" + scheme + ":" + folder + SETTINGS, "sa", "");
    }

    private static void run(Connection connection, String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    /** Numbered edits, each in two rows and the sum of all of them; small ones, wide ones, some deleted; ends now and then. */
    private List<Acknowledged> work(CutMedium medium, long seed, int edits) throws SQLException {
        return work("cut", medium, seed, edits);
    }

    private List<Acknowledged> work(String scheme, CutMedium medium, long seed, int edits) throws SQLException {
        CutPath.register(medium);
        Random random = new Random(seed);
        List<Acknowledged> acknowledged = new ArrayList<>(List.of(new Acknowledged(0, -1)));
        int number = 0;
        while (number < edits) {
            try (Connection connection = open(scheme, folder)) {
                run(
                        connection,
                        "create table if not exists edit (id int primary key, twice int, body varbinary(1000000))");
                run(connection, "create table if not exists latest (one int primary key, id int)");
                run(connection, "merge into latest values (1, " + (number - 1) + ")");
                connection.setAutoCommit(false);
                for (int i = 0; i < 60 && number < edits; i++) {
                    edit(connection, number, random);
                    acknowledged.add(new Acknowledged(medium.moment(), number));
                    number++;
                }
                connection.setAutoCommit(true);
                if (random.nextBoolean()) {
                    run(connection, "shutdown");
                }
            } catch (SQLException closed) {
                assertThat(closed.getMessage()).contains("closed");
            }
        }
        return acknowledged;
    }

    private static void edit(Connection connection, int number, Random random) throws SQLException {
        byte[] body = new byte[random.nextInt(8) == 0 ? 60_000 : 300];
        random.nextBytes(body);
        try (PreparedStatement insert = connection.prepareStatement("insert into edit values (?, ?, ?)")) {
            insert.setInt(1, number);
            insert.setInt(2, 2 * number);
            insert.setBytes(3, body);
            insert.execute();
        }
        run(connection, "update latest set id = " + number);
        if (number >= 30) {
            run(connection, "delete from edit where id = " + (number - 30));
        }
        connection.commit();
        run(connection, "checkpoint sync");
    }

    private void holds(Path image, int number, String when) throws SQLException {
        try (Connection connection = open("ahead", image);
                Statement statement = connection.createStatement()) {
            int latest = -1;
            if (number >= 0) {
                try (ResultSet row = statement.executeQuery("select id from latest")) {
                    assertThat(row.next()).as(when).isTrue();
                    latest = row.getInt(1);
                }
                assertThat(latest).as(when).isGreaterThanOrEqualTo(number);
                try (ResultSet rows =
                        statement.executeQuery("select id, twice, octet_length(body) from edit order by id")) {
                    int next = Math.max(0, latest - 29);
                    while (rows.next()) {
                        assertThat(rows.getInt(1)).as(when).isEqualTo(next++);
                        assertThat(rows.getInt(2)).as(when).isEqualTo(2 * rows.getInt(1));
                        assertThat(rows.getInt(3)).as(when).isGreaterThanOrEqualTo(300);
                    }
                    assertThat(next).as(when).isEqualTo(latest + 1);
                }
            }
            run(connection, "create table after_all (id int)");
            run(connection, "checkpoint sync");
        }
    }

    private Path image(CutMedium medium, int moment, long seed) throws IOException {
        Path image = Files.createTempDirectory(cuts, "cut");
        medium.cut(moment, new Random(seed), image);
        return image;
    }

    private static int known(List<Acknowledged> all, int moment) {
        return all.stream()
                .filter(a -> a.moment() <= moment)
                .mapToInt(Acknowledged::number)
                .max()
                .orElse(-1);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void nothing_acknowledged_is_lost_wherever_power_is_cut(long seed) throws Exception {
        CutMedium medium = new CutMedium(true, 200_000);
        AheadPath.register();
        List<Acknowledged> acknowledged = work(medium, seed, 180);
        Random random = new Random(seed);
        for (int i = 0; i < 50; i++) {
            int moment = 1 + random.nextInt(medium.moment());
            Path image = image(medium, moment, seed * 1000 + i);
            holds(image, known(acknowledged, moment), "seed " + seed + ", cut " + i + " at " + moment);
        }
    }

    @Test
    void without_the_log_the_same_cuts_lose_edits() throws Exception {
        FilePath.register(new BarePath());
        CutMedium medium = new CutMedium(true, 0);
        List<Acknowledged> acknowledged = work("bare", medium, 1, 180);
        AheadPath.register();
        Random random = new Random(1);
        assertThatThrownBy(() -> {
                    for (int i = 0; i < 400; i++) {
                        int moment = 1 + random.nextInt(medium.moment());
                        holds(image(medium, moment, i), known(acknowledged, moment), "cut " + i);
                    }
                })
                .isInstanceOfAny(AssertionError.class, SQLException.class);
    }

    @Test
    void nor_when_it_is_cut_again_while_it_starts() throws Exception {
        CutMedium medium = new CutMedium(true, 200_000);
        List<Acknowledged> acknowledged = work(medium, 5, 100);
        AheadPath.register();
        Random random = new Random(5);
        for (int i = 0; i < 12; i++) {
            int moment = 1 + random.nextInt(medium.moment());
            Path image = image(medium, moment, i);
            CutMedium again = new CutMedium(true, 200_000);
            for (Path file : medium.list(image, "loculus.")) {
                byte[] octets = Files.readAllBytes(file);
                Files.delete(file);
                try (FileChannel channel = again.open(file)) {
                    channel.write(java.nio.ByteBuffer.wrap(octets), 0);
                    channel.force(true);
                }
            }
            again.syncFolder(image);
            int lying = again.moment();
            CutPath.register(again);
            open("cut", image).close();
            Path once = image(again, lying + random.nextInt(again.moment() - lying + 1), 77 + i);
            holds(once, known(acknowledged, moment), "cut " + i + " at " + moment);
        }
    }

    @Test
    void a_sync_that_was_forgotten_is_found() throws Exception {
        CutMedium medium = new CutMedium(false, 200_000);
        List<Acknowledged> acknowledged = work(medium, 6, 60);
        AheadPath.register();
        assertThatThrownBy(() -> {
                    for (int i = 0; i < 20; i++) {
                        int moment = medium.moment() / 2 + i * 3;
                        holds(image(medium, moment, i), known(acknowledged, moment), "cut " + i);
                    }
                })
                .isInstanceOfAny(AssertionError.class, SQLException.class);
    }

    /** A folder as it lies when the process was killed after so many edits. */
    private Path killed(CutMedium medium) throws IOException {
        Path image = Files.createTempDirectory(cuts, "killed");
        for (Path file : medium.list(folder, "loculus.")) {
            Files.copy(file, image.resolve(file.getFileName()));
        }
        return image;
    }

    private Path killedAfter(int edits) throws Exception {
        CutMedium medium = new CutMedium(true, 8L << 20);
        CutPath.register(medium);
        AheadPath.register();
        try (Connection connection = open("cut", folder)) {
            run(connection, "create table edit (id int primary key, twice int, body varbinary(1000000))");
            run(connection, "create table latest (one int primary key, id int)");
            run(connection, "insert into latest values (1, -1)");
            for (int i = 0; i < edits; i++) {
                edit(connection, i, new Random(i));
            }
            return killed(medium);
        }
    }

    @Test
    void what_a_damaged_log_holds_is_told_with_counts_and_nothing_is_changed() throws Exception {
        Path image = killedAfter(20);
        Path log = new Medium().list(image, AheadSegment.PREFIX).get(0);
        AheadSegment.Content content = AheadSegment.read(new Medium(), log);
        assertThat(content.lost()).isZero();
        int frames = content.frames().size();
        int broken = 0;
        try (FileChannel channel = FileChannel.open(log, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            long at = Files.size(log) / 2;
            channel.write(java.nio.ByteBuffer.wrap(new byte[] {1, 2, 3, 4, 5, 6, 7, 8}), at - at % 4096 + 40);
        }
        AheadSegment.Content damaged = AheadSegment.read(new Medium(), log);
        broken = frames - damaged.frames().size() - damaged.lost();
        assertThat(broken).isEqualTo(1);
        byte[] before = Files.readAllBytes(image.resolve("loculus.mv.db"));
        try (FileChannel database = new Medium().open(image.resolve("loculus.mv.db"))) {
            assertThatThrownBy(() -> AheadRecovery.recover(new Medium(), image, database))
                    .isInstanceOf(AheadRecovery.Unfit.class)
                    .hasMessageContaining(damaged.frames().size() + " of its entries can be read")
                    .hasMessageContaining(damaged.lost() + " more lie behind it");
        }
        assertThat(Files.readAllBytes(image.resolve("loculus.mv.db"))).isEqualTo(before);
        AheadRecovery.setAside(image);
        holds(image, 19, "as it lies");
    }

    @Test
    void a_log_of_another_database_is_not_done_to_it() throws Exception {
        Path image = killedAfter(5);
        Path other = Files.createTempDirectory(cuts, "other");
        try (Connection connection = open("ahead", other)) {
            run(connection, "create table other (id int)");
        }
        Files.copy(
                other.resolve("loculus.mv.db"),
                image.resolve("loculus.mv.db"),
                java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        // Begun with nothing, the first log of a database fits any; a later one does not.
        try (FileChannel database = new Medium().open(image.resolve("loculus.mv.db"))) {
            assertThatThrownBy(() -> AheadRecovery.recover(new Medium(), image, database))
                    .isInstanceOf(AheadRecovery.Unfit.class)
                    .hasMessageContaining("belongs to another database");
        }
    }
}
