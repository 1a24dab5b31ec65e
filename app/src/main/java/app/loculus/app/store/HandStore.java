package app.loculus.app.store;

import app.loculus.core.programmer.Hand;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.formats.journal.JournalFormat;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** The selection. */
@Component
class HandStore implements PartStore<Whole, Hand> {

    interface Rows {
        @Select("select held from hand where show_id = #{show}")
        String held(@Param("show") long show);

        @Delete("delete from hand where show_id = #{show}")
        void delete(@Param("show") long show);

        @Insert("merge into hand (show_id, held) key (show_id) values (#{show}, #{held})")
        void put(@Param("show") long show, @Param("held") String held);
    }

    private final Rows rows;
    private final JournalFormat format;

    HandStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<Whole, Hand> kind() {
        return PartKinds.HAND;
    }

    @Override
    public List<Change<Whole, Hand>> read(long show, Losses losses) {
        return Optional.ofNullable(rows.held(show))
                .flatMap(held -> losses.attempt(kind(), () -> format.readPart(kind(), held)))
                .map(hand -> List.of(
                        new Change<>(kind(), Whole.SHOW, Optional.<Hand>empty(), kind().stored(Whole.SHOW, hand))))
                .orElse(List.of());
    }

    @Override
    public void write(long show, Show after, List<Change<Whole, Hand>> changes) {
        changes.forEach(c -> c.after()
                .ifPresentOrElse(hand -> rows.put(show, format.writePart(kind(), hand)), () -> rows.delete(show)));
    }
}
