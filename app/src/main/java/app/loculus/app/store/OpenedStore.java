package app.loculus.app.store;

import app.loculus.core.look.LookId;
import app.loculus.core.look.Opened;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Which look is open. */
@Component
class OpenedStore implements PartStore<Whole, Opened> {

    interface Rows {
        @Select("select look_id from opened_look where show_id = #{show}")
        Integer look(@Param("show") long show);

        @Delete("delete from opened_look where show_id = #{show}")
        void delete(@Param("show") long show);

        @Insert("merge into opened_look (show_id, look_id) key (show_id) values (#{show}, #{look})")
        void put(@Param("show") long show, @Param("look") int look);
    }

    private final Rows rows;

    OpenedStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<Whole, Opened> kind() {
        return PartKinds.OPENED;
    }

    @Override
    public List<Change<Whole, Opened>> read(long show, Losses losses) {
        return Optional.ofNullable(rows.look(show))
                .map(id -> new Opened(Optional.of(new LookId(id))))
                .map(o -> List.of(new Change<>(kind(), Whole.SHOW, Optional.<Opened>empty(), Optional.of(o))))
                .orElse(List.of());
    }

    @Override
    public void write(long show, Show after, List<Change<Whole, Opened>> changes) {
        changes.forEach(c -> c.after()
                .flatMap(Opened::look)
                .ifPresentOrElse(look -> rows.put(show, look.value()), () -> rows.delete(show)));
    }
}
