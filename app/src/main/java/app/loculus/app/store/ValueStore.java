package app.loculus.app.store;

import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeSet;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/**
 * Working values: a row for each block of fixtures, so that an edit of thousands of units writes some hundred rows, whether
 * they are set alike or each to something else.
 */
@Component
class ValueStore implements PartStore<UnitId, UnitValues> {

    /** Fixtures of one block, by their ids. */
    private static final int FIXTURES = 32;

    /** @param held the values of its units, as the journal writes them */
    record BlockRow(int block, String held) {}

    interface Rows {
        @Select("select block, held from working_block where show_id = #{show} order by block")
        List<BlockRow> blocks(@Param("show") long show);

        @Insert("merge into working_block (show_id, block, held) key (show_id, block) values "
                + "(#{show}, #{block}, #{held})")
        void put(@Param("show") long show, @Param("block") int block, @Param("held") String held);

        @Delete("delete from working_block where show_id = #{show} and block = #{block}")
        void delete(@Param("show") long show, @Param("block") int block);
    }

    private final Rows rows;
    private final JournalFormat format;

    ValueStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<UnitId, UnitValues> kind() {
        return PartKinds.VALUES;
    }

    @Override
    public List<Change<UnitId, UnitValues>> read(long show, Losses losses) {
        List<Change<UnitId, UnitValues>> all = new ArrayList<>();
        for (BlockRow row : rows.blocks(show)) {
            losses.attempt(kind(), () -> format.readValues(row.held()))
                    .ifPresent(values -> values.forEach(
                            (unit, held) -> all.add(new Change<>(kind(), unit, Optional.empty(), Optional.of(held)))));
        }
        return all;
    }

    static int block(UnitId unit) {
        return unit.fixture().value() / FIXTURES;
    }

    @Override
    public void write(long show, Show after, List<Change<UnitId, UnitValues>> changes) {
        SortedMap<UnitId, UnitValues> values = after.all(kind());
        TreeSet<Integer> changed = new TreeSet<>();
        changes.forEach(c -> changed.add(block(c.key())));
        for (int block : changed) {
            Map<UnitId, UnitValues> held = new LinkedHashMap<>(values.subMap(first(block), first(block + 1)));
            if (held.isEmpty()) {
                rows.delete(show, block);
            } else {
                rows.put(show, block, format.writeValues(held));
            }
        }
    }

    /** Where a block begins. */
    private static UnitId first(int block) {
        return new UnitId(new FixtureId(Math.max(1, block * FIXTURES)), 0);
    }
}
