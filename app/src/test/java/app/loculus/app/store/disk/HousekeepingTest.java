package app.loculus.app.store.disk;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.config.Settings;
import com.zaxxer.hikari.HikariDataSource;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;

/** A copy a day while it runs, whole and as of one moment; none on a full disk. */
class HousekeepingTest {

    @TempDir
    Path folder;

    private final HikariDataSource source = new HikariDataSource();
    private final Clock clock = Mockito.mock(Clock.class);
    private final Disk disk = Mockito.mock(Disk.class);
    private Instant now = Instant.parse("2026-05-01T08:00:00Z");
    private Housekeeping housekeeping;

    @BeforeEach
    void aDatabaseThatIsOpen() throws SQLException {
        source.setJdbcUrl("jdbc:h2:file:" + folder.resolve("loculus"));
        Mockito.when(clock.instant()).thenAnswer(asked -> now);
        Mockito.when(clock.getZone()).thenReturn(ZoneOffset.UTC);
        Mockito.when(clock.withZone(Mockito.any())).thenReturn(clock);
        Mockito.when(disk.trouble()).thenReturn("");
        sql("create table kept (word varchar(20))");
        DataFolder data = new DataFolder(new Settings(folder.toString(), false, 0, 0, List.of(), false, false), false);
        housekeeping = new Housekeeping(disk, data, source, clock);
    }

    @AfterEach
    void close() {
        source.close();
    }

    private void sql(String text) throws SQLException {
        try (Connection connection = source.getConnection()) {
            connection.createStatement().execute(text);
        }
    }

    private void roundAfter(Duration time) {
        now = now.plus(time);
        housekeeping.round();
    }

    @Test
    void the_first_daily_copy_is_made_a_day_after_the_start_and_then_every_day() {
        roundAfter(Duration.ofHours(23));
        assertThat(Backups.in(folder)).isEmpty();
        roundAfter(Duration.ofHours(2));
        roundAfter(Duration.ofHours(2));
        assertThat(Backups.in(folder)).hasSize(1);
        roundAfter(Duration.ofHours(23));
        assertThat(Backups.in(folder))
                .extracting(Backups.Copy::name)
                .containsExactly("loculus-2026-05-03T10-00-00.mv.db", "loculus-2026-05-02T09-00-00.mv.db");
    }

    @Test
    void only_the_last_five_are_kept() {
        for (int day = 0; day < 8; day++) {
            roundAfter(Duration.ofHours(25));
        }
        assertThat(Backups.in(folder)).hasSize(5);
        assertThat(folder.resolve(Backups.FOLDER)).isDirectoryNotContaining("glob:**.{part,zip}");
    }

    @Test
    void a_copy_opens_and_holds_what_was_there() throws SQLException {
        sql("insert into kept values ('Slipway')");
        roundAfter(Duration.ofHours(25));
        sql("delete from kept");
        String copy = Backups.in(folder).get(0).name().replace(".mv.db", "");
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:h2:file:" + folder.resolve(Backups.FOLDER).resolve(copy));
                ResultSet row = connection.createStatement().executeQuery("select word from kept")) {
            assertThat(row.next()).isTrue();
            assertThat(row.getString(1)).isEqualTo("Slipway");
        }
    }

    @Test
    void none_is_made_while_the_disk_is_in_trouble() {
        Mockito.when(disk.trouble()).thenReturn("The disk is full.");
        roundAfter(Duration.ofHours(25));
        assertThat(Backups.in(folder)).isEmpty();
        Mockito.when(disk.trouble()).thenReturn("");
        roundAfter(Duration.ofSeconds(2));
        assertThat(Backups.in(folder)).hasSize(1);
    }
}
