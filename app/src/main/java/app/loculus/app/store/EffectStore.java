package app.loculus.app.store;

import app.loculus.core.effect.Effect;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.value.EffectId;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Effects; number and name stand beside the body for whoever looks into the table. */
@Component
class EffectStore implements PartStore<EffectId, Effect> {

    record EffectRow(long showId, int id, Integer number, String name, String body) {}

    interface Rows {
        @Select("select * from effect where show_id = #{show} order by id")
        List<EffectRow> effects(@Param("show") long show);

        @Delete("delete from effect where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into effect ({columns}) values ({values})")
        void insert(EffectRow row);
    }

    private final Rows rows;
    private final JournalFormat format;

    EffectStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<EffectId, Effect> kind() {
        return PartKinds.EFFECTS;
    }

    @Override
    public List<Change<EffectId, Effect>> read(long show, Losses losses) {
        List<Change<EffectId, Effect>> all = new ArrayList<>();
        for (EffectRow row : rows.effects(show)) {
            losses.attempt(kind(), () -> format.readPart(kind(), row.body()))
                    .ifPresent(e -> all.add(new Change<>(kind(), e.id(), Optional.empty(), Optional.of(e))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<EffectId, Effect>> changes) {
        for (Change<EffectId, Effect> c : changes) {
            c.before().ifPresent(e -> rows.delete(show, c.key().value()));
            c.after()
                    .ifPresent(e -> rows.insert(new EffectRow(
                            show, e.id().value(), e.number().orElse(null), e.name(), format.writePart(kind(), e))));
        }
    }
}
