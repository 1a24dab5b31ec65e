package app.loculus.app.store;

import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.PartKinds;
import app.loculus.formats.journal.JournalFormat;
import app.loculus.formats.journal.UnreadableEntry;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.stereotype.Component;

/** Moves working values from a row a set of values to a row a block of fixtures. */
@Component
class V10ValuesByBlock implements JavaMigration {

    private record Block(long show, int number) {}

    private record Damaged(long show, String held) {}

    private final JournalFormat format;

    V10ValuesByBlock(JournalFormat format) {
        this.format = format;
    }

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("10");
    }

    @Override
    public String getDescription() {
        return "values by block";
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
        try (Statement statement = connection.createStatement()) {
            statement.execute("create table working_block (show_id bigint not null, block int not null, "
                    + "held varchar(4000000) not null, primary key (show_id, block))");
            List<Damaged> damaged = new ArrayList<>();
            write(connection, read(statement, damaged));
            keep(connection, damaged);
            statement.execute("drop table working_value");
        }
    }

    private Map<Block, Map<UnitId, UnitValues>> read(Statement statement, List<Damaged> damaged) throws SQLException {
        Comparator<Block> order = Comparator.comparingLong(Block::show).thenComparingInt(Block::number);
        Map<Block, Map<UnitId, UnitValues>> blocks = new TreeMap<>(order);
        try (ResultSet row = statement.executeQuery("select show_id, held, units from working_value")) {
            while (row.next()) {
                long show = row.getLong(1);
                try {
                    UnitValues held = format.readPart(PartKinds.VALUES, row.getString(2));
                    for (UnitId unit : format.readKeys(
                            PartKinds.VALUES, List.of(row.getString(3).split(" ")))) {
                        blocks.computeIfAbsent(new Block(show, ValueStore.block(unit)), b -> new TreeMap<>())
                                .put(unit, held);
                    }
                } catch (UnreadableEntry unreadable) {
                    damaged.add(new Damaged(show, row.getString(2)));
                }
            }
        }
        return blocks;
    }

    private void write(Connection connection, Map<Block, Map<UnitId, UnitValues>> blocks) throws SQLException {
        try (PreparedStatement insert =
                connection.prepareStatement("insert into working_block (show_id, block, held) values (?, ?, ?)")) {
            for (Map.Entry<Block, Map<UnitId, UnitValues>> block : blocks.entrySet()) {
                insert.setLong(1, block.getKey().show());
                insert.setInt(2, block.getKey().number());
                insert.setString(3, format.writeValues(block.getValue()));
                insert.addBatch();
            }
            insert.executeBatch();
        }
    }

    /** What cannot be read stays as it is, where no block lies, so that it is told when the show is opened. */
    private static void keep(Connection connection, List<Damaged> damaged) throws SQLException {
        try (PreparedStatement insert =
                connection.prepareStatement("insert into working_block (show_id, block, held) values (?, ?, ?)")) {
            for (int i = 0; i < damaged.size(); i++) {
                insert.setLong(1, damaged.get(i).show());
                insert.setInt(2, -1 - i);
                insert.setString(3, damaged.get(i).held());
                insert.execute();
            }
        }
    }
}
