package app.loculus.app.store;

import app.loculus.core.look.LookId;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Tint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Submasters; what they hold is kept with the looks. */
@Component
class SubmasterStore implements PartStore<SubmasterId, Submaster> {

    record SubmasterRow(long showId, int id, int number, String name, Tint tint, String note, int lookId) {

        Submaster submaster() {
            return new Submaster(new SubmasterId(id), number, name, tint, note, new LookId(lookId));
        }
    }

    interface Rows {
        @Select("select * from submaster where show_id = #{show} order by id")
        List<SubmasterRow> submasters(@Param("show") long show);

        @Delete("delete from submaster where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into submaster ({columns}) values ({values})")
        void insert(SubmasterRow row);
    }

    private final Rows rows;

    SubmasterStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<SubmasterId, Submaster> kind() {
        return PartKinds.SUBMASTERS;
    }

    @Override
    public List<Change<SubmasterId, Submaster>> read(long show, Losses losses) {
        List<Change<SubmasterId, Submaster>> all = new ArrayList<>();
        for (SubmasterRow row : rows.submasters(show)) {
            losses.attempt(kind(), row::submaster)
                    .ifPresent(s -> all.add(new Change<>(kind(), s.id(), Optional.empty(), Optional.of(s))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<SubmasterId, Submaster>> changes) {
        for (Change<SubmasterId, Submaster> c : changes) {
            c.before().ifPresent(s -> rows.delete(show, c.key().value()));
            c.after()
                    .ifPresent(s -> rows.insert(new SubmasterRow(
                            show,
                            s.id().value(),
                            s.number(),
                            s.name(),
                            s.tint(),
                            s.note(),
                            s.look().value())));
        }
    }
}
