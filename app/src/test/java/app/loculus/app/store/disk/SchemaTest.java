package app.loculus.app.store.disk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.loculus.app.config.Settings;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.migration.BaseJavaMigration;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A database is brought to this version, and one that is there already is not asked twice. */
class SchemaTest {

    @TempDir
    Path folder;

    private int migrated;

    /** Stands in for the step that is not SQL. */
    private final class V4__values_once extends BaseJavaMigration {
        @Override
        public void migrate(Context context) {
            migrated++;
        }
    }

    /** Likewise. */
    private static final class V10__values_by_block extends BaseJavaMigration {
        @Override
        public void migrate(Context context) {
            // nothing to move
        }
    }

    private List<JavaMigration> steps() {
        return List.of(new V4__values_once(), new V10__values_by_block());
    }

    private DataSource source() {
        JdbcDataSource source = new JdbcDataSource();
        source.setURL("jdbc:h2:file:" + folder.resolve("loculus"));
        return source;
    }

    private void open() throws SQLException {
        Settings settings = new Settings(folder.toString(), false, 0, 0, List.of(), false, false);
        Schema.in(new DataFolder(settings, false), source(), steps());
    }

    private void sql(String text) throws SQLException {
        try (Connection connection = source().getConnection()) {
            connection.createStatement().execute(text);
        }
    }

    @Test
    void the_newest_version_is_the_last_migration_there_is() {
        assertThat(Arrays.stream(Schema.flyway(source(), steps()).info().all())
                        .map(m -> m.getVersion().getVersion()))
                .last()
                .isEqualTo(Schema.NEWEST);
    }

    @Test
    void a_new_database_is_migrated_once_and_left_alone_after() throws Exception {
        open();
        open();
        assertThat(migrated).isEqualTo(1);
        assertThat(folder.resolve("loculus.trace.db")).doesNotExist();
    }

    @Test
    void one_that_is_a_step_behind_is_taken_along() throws Exception {
        Flyway all = Schema.flyway(source(), steps());
        MigrationInfo[] there = all.info().all();
        Flyway.configure()
                .configuration(all.getConfiguration())
                .target(there[there.length - 2].getVersion())
                .load()
                .migrate();
        assertThat(migrated).isEqualTo(1);
        open();
        try (Connection connection = source().getConnection();
                ResultSet row = connection
                        .createStatement()
                        .executeQuery("select count(*) from \"flyway_schema_history\" where \"version\" = '"
                                + Schema.NEWEST + "'")) {
            row.next();
            assertThat(row.getInt(1)).isEqualTo(1);
        }
        assertThat(migrated).as("what was taken before").isEqualTo(1);
    }

    @Test
    void one_that_a_newer_application_wrote_is_refused() throws Exception {
        open();
        sql(
                "insert into \"flyway_schema_history\" values (99, '99', 'newer', 'SQL', 'V99__newer.sql', 1, 'sa', now(), 1, true)");
        assertThatThrownBy(this::open).isInstanceOf(BadData.class).hasMessageContaining("newer Loculus (99, newer)");
    }

    @Test
    void a_step_that_failed_is_not_taken_for_done() throws Exception {
        open();
        sql("update \"flyway_schema_history\" set \"success\" = false where \"version\" = '" + Schema.NEWEST + "'");
        assertThatThrownBy(this::open).hasMessageContaining("failed migration");
    }
}
