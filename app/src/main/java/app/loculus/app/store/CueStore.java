package app.loculus.app.store;

import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueNumber;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Start;
import app.loculus.core.look.Timing;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
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

/** Cues; what they hold is kept with the looks. */
@Component
class CueStore implements PartStore<CueId, Cue> {

    /** Times in milliseconds; null where none is given. */
    record CueRow(
            long showId,
            int id,
            int listId,
            int thousandths,
            String name,
            String note,
            int lookId,
            Integer inMs,
            Integer outMs,
            Integer restMs,
            int waitMs,
            String nextBy,
            int nextMs) {

        Cue cue() {
            return new Cue(
                    new CueId(id),
                    new CueListId(listId),
                    new CueNumber(thousandths),
                    name,
                    note,
                    new LookId(lookId),
                    new Timing(time(inMs), time(outMs), time(restMs), new Seconds(waitMs)),
                    new Start(Start.Trigger.valueOf(nextBy), new Seconds(nextMs)));
        }

        private static Optional<Seconds> time(Integer ms) {
            return Optional.ofNullable(ms).map(Seconds::new);
        }

        static CueRow of(long show, Cue c) {
            return new CueRow(
                    show,
                    c.id().value(),
                    c.list().value(),
                    c.number().thousandths(),
                    c.name(),
                    c.note(),
                    c.look().value(),
                    ms(c.timing().in()),
                    ms(c.timing().out()),
                    ms(c.timing().rest()),
                    c.timing().delay().millis(),
                    c.next().trigger().name(),
                    c.next().after().millis());
        }

        private static Integer ms(Optional<Seconds> time) {
            return time.map(Seconds::millis).orElse(null);
        }
    }

    interface Rows {
        @Select("select * from cue where show_id = #{show} order by id")
        List<CueRow> cues(@Param("show") long show);

        @Delete("delete from cue where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into cue ({columns}) values ({values})")
        void insert(CueRow row);
    }

    private final Rows rows;

    CueStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<CueId, Cue> kind() {
        return PartKinds.CUES;
    }

    @Override
    public List<Change<CueId, Cue>> read(long show, Losses losses) {
        List<Change<CueId, Cue>> all = new ArrayList<>();
        for (CueRow row : rows.cues(show)) {
            losses.attempt(kind(), row::cue)
                    .ifPresent(c -> all.add(new Change<>(kind(), c.id(), Optional.empty(), Optional.of(c))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<CueId, Cue>> changes) {
        for (Change<CueId, Cue> c : changes) {
            c.before().ifPresent(q -> rows.delete(show, c.key().value()));
            c.after().ifPresent(q -> rows.insert(CueRow.of(show, q)));
        }
    }
}
