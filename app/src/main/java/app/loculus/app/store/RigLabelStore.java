package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** What people have written into the devices of the virtual rig. */
@Repository
public class RigLabelStore {

    /** @param place which of the fixture's addresses the device listens at, 0 for the first */
    public record RigLabel(long showId, int fixtureId, int place, String label) {}

    interface Rows {
        @Select("select * from rig_label where show_id = #{show}")
        List<RigLabel> of(@Param("show") long show);

        @Lang(RowColumns.class)
        @Insert("merge into rig_label ({columns}) key (show_id, fixture_id, place) values ({values})")
        void put(RigLabel label);
    }

    private final Rows rows;
    private final Disk disk;

    RigLabelStore(Mappers mappers, Disk disk) {
        this.rows = mappers.of(Rows.class);
        this.disk = disk;
    }

    public List<RigLabel> of(long show) {
        return rows.of(show);
    }

    public void put(RigLabel label) {
        disk.write(() -> rows.put(label));
    }
}
