package app.loculus.app.store.disk;

import app.loculus.app.config.Settings;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.PlatformTransactionManager;

/**
 * Opens the database, or says in words why it cannot be.
 *
 * <p>Settings of H2, measured: chunks are reused as soon as they are free (retention 0: 2,000 edits on 500 fixtures leave
 * 2 MB instead of 47), nothing is written but by our own syncs (write delay), its own housekeeping is off, since it would
 * also run on a full disk and close the database there; {@link Housekeeping} does it in the quiet. Its own file does not
 * survive a cut of power that leaves out one of several writes, so it is written ahead ({@link AheadPath}).
 */
@Configuration
public class Database {

    private static final String IN_MEMORY = "jdbc:h2:mem:";

    @Bean
    DataFolder dataFolder(Settings settings, @Value("${spring.datasource.url}") String url) throws IOException {
        AheadPath.register();
        DataFolder folder = new DataFolder(settings, url.startsWith(IN_MEMORY));
        folder.lookOver();
        folder.recover(settings.takeAsIs());
        folder.backUp();
        return folder;
    }

    @Bean(destroyMethod = "close")
    HikariDataSource dataSource(@Value("${spring.datasource.url}") String url, DataFolder folder) {
        HikariDataSource source = new HikariDataSource();
        source.setJdbcUrl(url);
        source.setUsername("sa");
        source.setPassword("");
        source.setMaximumPoolSize(10);
        source.setMinimumIdle(1);
        source.setConnectionTimeout(10_000);
        // One try: what does not open is told at once, with its cause.
        source.setInitializationFailTimeout(1);
        return source;
    }

    @Bean
    PlatformTransactionManager transactions(HikariDataSource source) {
        return new DataSourceTransactionManager(source);
    }

    @Bean
    Schema schema(DataFolder folder, HikariDataSource source, List<JavaMigration> steps) throws SQLException {
        return Schema.in(folder, source, steps);
    }

    /** @throws BadData when the database is behind what was acknowledged */
    @Bean(destroyMethod = "close")
    Kept kept(DataFolder folder, HikariDataSource source, Settings settings, Schema schema)
            throws SQLException, IOException {
        if (folder.inMemory()) {
            return Kept.nowhere();
        }
        if (settings.takeAsIs()) {
            Kept.forget(folder.path());
        }
        Kept kept = Kept.in(folder.path());
        List<String> behind = behind(kept.all(), source);
        if (!behind.isEmpty()) {
            kept.close();
            throw new BadData(
                    "The database in " + folder.path()
                            + " is older than what was kept, as if it had been cut or replaced: "
                            + String.join("; ", behind) + ".",
                    BadData.restore(folder.path()) + "\nOr go on with what is there: --take-as-is");
        }
        return kept;
    }

    private static List<String> behind(Map<Long, Long> marks, HikariDataSource source) throws SQLException {
        List<String> words = new ArrayList<>();
        try (Connection connection = source.getConnection();
                Statement statement = connection.createStatement();
                ResultSet shows = statement.executeQuery("select id, name, revision from show_file")) {
            while (shows.next()) {
                Long kept = marks.remove(shows.getLong(1));
                if (kept != null && kept > shows.getLong(3)) {
                    words.add("“" + shows.getString(2) + "” is at revision " + shows.getLong(3) + " of " + kept);
                }
            }
        }
        marks.keySet().forEach(id -> words.add("show " + id + " is missing"));
        return words;
    }
}
