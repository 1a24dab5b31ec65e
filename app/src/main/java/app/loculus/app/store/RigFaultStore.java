package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import java.util.List;
import java.util.Map;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** How fixtures of the virtual rig differ from the patch; by fixture, so that a fault stays with it when it is renumbered. */
@Repository
public class RigFaultStore {

    /**
     * A fault; what is null is as patched.
     *
     * @param starts where its devices are set to, as {@code 1.1 + 1.101}
     * @param mode the mode it is set to
     * @param practice whether it was hidden to be found
     * @param twin id of the fixture whose identity its device has
     * @param stray address at which another one of its type hangs that nobody has patched
     */
    public record RigFault(
            long showId,
            int fixtureId,
            String starts,
            boolean dead,
            String mode,
            boolean practice,
            Integer twin,
            String stray) {}

    interface Rows {
        @Select("select * from rig_fault where show_id = #{show} order by fixture_id")
        List<RigFault> of(@Param("show") long show);

        @Lang(RowColumns.class)
        @Insert("merge into rig_fault ({columns}) key (show_id, fixture_id) values ({values})")
        void put(RigFault fault);

        @Delete("delete from rig_fault where show_id = #{show} and fixture_id = #{fixture}")
        void delete(@Param("show") long show, @Param("fixture") int fixture);

        @Delete("delete from rig_fault where show_id = #{show}")
        void clear(@Param("show") long show);
    }

    private final Rows rows;
    private final Disk disk;

    RigFaultStore(Mappers mappers, Disk disk) {
        this.rows = mappers.of(Rows.class);
        this.disk = disk;
    }

    public List<RigFault> of(long show) {
        return rows.of(show);
    }

    public void put(RigFault fault) {
        disk.write(() -> rows.put(fault));
    }

    public void delete(long show, int fixture) {
        disk.write(() -> rows.delete(show, fixture));
    }

    /** These and no others. */
    public void replace(long show, Map<Integer, RigFault> faults) {
        disk.write(() -> {
            rows.clear(show);
            faults.values().forEach(rows::put);
        });
    }
}
