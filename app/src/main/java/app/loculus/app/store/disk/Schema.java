package app.loculus.app.store.disk;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.migration.JavaMigration;

/** The tables, brought to the version that this application needs. Whoever reads or writes them asks for it. */
public final class Schema {

    /** The last migration there is; a test holds it against the folder. */
    static final String NEWEST = "14";

    private static final String HISTORY = "flyway_schema_history";
    private static final String LAST =
            "select \"version\" from \"" + HISTORY + "\" where \"success\" order by \"installed_rank\" desc limit 1";

    private Schema() {}

    /**
     * Migrates what is older. A database that is as new as this is left alone, so that most starts do not wait for
     * migrations to be looked for.
     *
     * @param steps the migrations that are not SQL
     * @throws BadData when a newer application has written it
     * @throws SQLException when the database cannot be opened
     */
    static Schema in(DataFolder folder, DataSource source, List<JavaMigration> steps) throws SQLException {
        if (!NEWEST.equals(last(source))) {
            migrate(folder, flyway(source, steps));
        }
        return new Schema();
    }

    static Flyway flyway(DataSource source, List<JavaMigration> steps) {
        return Flyway.configure()
                .dataSource(source)
                .javaMigrations(steps.toArray(JavaMigration[]::new))
                .load();
    }

    /** @return the version that the database says it has, or nothing when it has none */
    private static String last(DataSource source) throws SQLException {
        try (Connection connection = source.getConnection();
                ResultSet tables = connection.getMetaData().getTables(null, null, HISTORY, null);
                Statement statement = connection.createStatement();
                ResultSet row = tables.next() ? statement.executeQuery(LAST) : tables) {
            return row.next() ? row.getString(1) : "";
        }
    }

    private static void migrate(DataFolder folder, Flyway flyway) {
        for (MigrationInfo info : flyway.info().applied()) {
            if (info.getState().name().contains("FUTURE")) {
                throw new BadData(
                        "The database in " + folder.path() + " was written by a newer Loculus (" + info.getVersion()
                                + ", " + info.getDescription() + ").",
                        "Start it with that one. Nothing was changed.");
            }
        }
        flyway.migrate();
    }
}
