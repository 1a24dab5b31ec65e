package app.loculus.app.store;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.formats.journal.JournalFormat;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.stereotype.Component;

/** Moves working values from a row a value to a row a set of values that units share; one index a table of parts. */
@Component
class V4ValuesOnce implements JavaMigration {

    private static final List<String> OF_SHOWS =
            List.of("fixture", "show_group", "palette", "universe_setup", "working_value", "rig_fault", "journal");

    private record Unit(long show, UnitId id) {}

    private final JournalFormat format;

    V4ValuesOnce(JournalFormat format) {
        this.format = format;
    }

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("4");
    }

    @Override
    public String getDescription() {
        return "values once";
    }

    @Override
    public Integer getChecksum() {
        return null;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        Map<Unit, Map<Attribute, Touched>> values = read(connection);
        Map<Long, Map<UnitValues, List<UnitId>>> sharing = new LinkedHashMap<>();
        values.forEach((unit, held) -> sharing.computeIfAbsent(unit.show(), s -> new LinkedHashMap<>())
                .computeIfAbsent(new UnitValues(held), v -> new ArrayList<>())
                .add(unit.id()));
        write(connection, sharing);
        try (Statement statement = connection.createStatement()) {
            statement.execute("drop table programmer_value");
        }
        for (String table : OF_SHOWS) {
            oneIndex(connection, table);
        }
    }

    /**
     * A foreign key on the show alone brings an index with it. The database chooses that one while a table is small, and
     * then looks through all rows of the show for each of them: 2,000 deletes took 3 s. The rows' own keys begin with
     * the show; shows are archived, never deleted.
     */
    private static void oneIndex(Connection connection, String table) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String constraint : toShow(statement, table)) {
                statement.execute("alter table " + table + " drop constraint \"" + constraint + "\"");
            }
        }
    }

    private static List<String> toShow(Statement statement, String table) throws SQLException {
        List<String> names = new ArrayList<>();
        try (ResultSet found = statement.executeQuery(
                "select constraint_name from information_schema.key_column_usage where table_name = '"
                        + table.toUpperCase(Locale.ROOT)
                        + "' and constraint_name in (select constraint_name from information_schema.table_constraints "
                        + "where constraint_type = 'FOREIGN KEY') group by constraint_name having count(*) = 1")) {
            while (found.next()) {
                names.add(found.getString(1));
            }
        }
        return names;
    }

    private static Map<Unit, Map<Attribute, Touched>> read(Connection connection) throws SQLException {
        Map<Unit, Map<Attribute, Touched>> values = new LinkedHashMap<>();
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(
                        "select * from programmer_value order by show_id, fixture_id, cell, seq")) {
            while (row.next()) {
                UnitId unit = new UnitId(new FixtureId(row.getInt("fixture_id")), row.getInt("cell"));
                values.computeIfAbsent(new Unit(row.getLong("show_id"), unit), u -> new LinkedHashMap<>())
                        .put(
                                new Attribute(row.getString("attribute")),
                                new Touched(value(row), row.getBoolean("touched"), row.getBoolean("companion")));
            }
        }
        return values;
    }

    private static AttributeValue value(ResultSet row) throws SQLException {
        double number = row.getDouble("value_number");
        return switch (row.getString("value_form")) {
            case "physical" -> new AttributeValue.Physical(number);
            case "named" -> new AttributeValue.Named(row.getString("value_text"));
            case "reference" -> new AttributeValue.Reference(new PaletteId((int) number));
            default -> new AttributeValue.Level(Fraction.of(number));
        };
    }

    private void write(Connection connection, Map<Long, Map<UnitValues, List<UnitId>>> sharing) throws SQLException {
        try (PreparedStatement insert = connection.prepareStatement(
                "insert into working_value (show_id, digest, held, units) values (?, ?, ?, ?)")) {
            for (Map.Entry<Long, Map<UnitValues, List<UnitId>>> show : sharing.entrySet()) {
                for (Map.Entry<UnitValues, List<UnitId>> values :
                        show.getValue().entrySet()) {
                    String held = format.writePart(PartKinds.VALUES, values.getKey());
                    insert.setLong(1, show.getKey());
                    insert.setString(2, Digest.of(held));
                    insert.setString(3, held);
                    insert.setString(4, String.join(" ", format.writeKeys(PartKinds.VALUES, values.getValue())));
                    insert.addBatch();
                }
            }
            insert.executeBatch();
        }
    }
}
