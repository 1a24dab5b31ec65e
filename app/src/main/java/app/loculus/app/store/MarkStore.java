package app.loculus.app.store;

import app.loculus.core.geometry.Vector3;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Named places on stage. */
@Component
class MarkStore implements PartStore<MarkId, Mark> {

    record MarkRow(long showId, int id, String name, double x, double y, double z) {}

    interface Rows {
        @Select("select * from mark where show_id = #{show} order by id")
        List<MarkRow> marks(@Param("show") long show);

        @Delete("delete from mark where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into mark ({columns}) values ({values})")
        void insert(MarkRow row);
    }

    private final Rows rows;

    MarkStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<MarkId, Mark> kind() {
        return PartKinds.MARKS;
    }

    @Override
    public List<Change<MarkId, Mark>> read(long show, Losses losses) {
        List<Change<MarkId, Mark>> all = new ArrayList<>();
        for (MarkRow row : rows.marks(show)) {
            losses.attempt(
                            kind(),
                            () -> new Mark(new MarkId(row.id()), row.name(), new Vector3(row.x(), row.y(), row.z())))
                    .ifPresent(m -> all.add(new Change<>(kind(), m.id(), Optional.empty(), Optional.of(m))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<MarkId, Mark>> changes) {
        for (Change<MarkId, Mark> c : changes) {
            c.before().ifPresent(m -> rows.delete(show, c.key().value()));
            c.after()
                    .ifPresent(m -> rows.insert(
                            new MarkRow(show, m.id().value(), m.name(), m.at().x(), m.at().y(), m.at().z())));
        }
    }
}
