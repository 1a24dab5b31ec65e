package app.loculus.app.store;

import app.loculus.core.look.CueList;
import app.loculus.core.look.Tempo;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Fraction;
import app.loculus.core.unit.Seconds;
import app.loculus.core.value.CueListId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Cue lists. */
@Component
class CueListStore implements PartStore<CueListId, CueList> {

    record CueListRow(
            long showId,
            int id,
            int number,
            String name,
            String note,
            boolean carryingOn,
            boolean chase,
            double rate,
            double crossfade,
            String direction,
            int seed,
            int releaseMs) {

        CueList list() {
            return new CueList(
                    new CueListId(id),
                    number,
                    name,
                    note,
                    carryingOn ? CueList.Join.CARRYING_ON : CueList.Join.STANDING_ALONE,
                    chase,
                    new Tempo(rate, Fraction.of(crossfade), Tempo.Direction.valueOf(direction), seed),
                    new Seconds(releaseMs));
        }

        static CueListRow of(long show, CueList l) {
            return new CueListRow(
                    show,
                    l.id().value(),
                    l.number(),
                    l.name(),
                    l.note(),
                    l.join() == CueList.Join.CARRYING_ON,
                    l.chase(),
                    l.tempo().rate(),
                    l.tempo().crossfade().value(),
                    l.tempo().direction().name(),
                    l.tempo().seed(),
                    l.release().millis());
        }
    }

    interface Rows {
        @Select("select * from cue_list where show_id = #{show} order by id")
        List<CueListRow> lists(@Param("show") long show);

        @Delete("delete from cue_list where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into cue_list ({columns}) values ({values})")
        void insert(CueListRow row);
    }

    private final Rows rows;

    CueListStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<CueListId, CueList> kind() {
        return PartKinds.LISTS;
    }

    @Override
    public List<Change<CueListId, CueList>> read(long show, Losses losses) {
        List<Change<CueListId, CueList>> all = new ArrayList<>();
        for (CueListRow row : rows.lists(show)) {
            losses.attempt(kind(), row::list)
                    .ifPresent(l -> all.add(new Change<>(kind(), l.id(), Optional.empty(), Optional.of(l))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<CueListId, CueList>> changes) {
        for (Change<CueListId, CueList> c : changes) {
            c.before().ifPresent(l -> rows.delete(show, c.key().value()));
            c.after().ifPresent(l -> rows.insert(CueListRow.of(show, l)));
        }
    }
}
