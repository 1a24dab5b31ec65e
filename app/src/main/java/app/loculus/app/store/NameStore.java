package app.loculus.app.store;

import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Component;

/** What shows are called. */
@Component
class NameStore implements PartStore<Whole, String> {

    interface Rows {
        @Select("select name from show_file where id = #{show}")
        String name(@Param("show") long show);

        @Update("update show_file set name = #{name} where id = #{show}")
        void put(@Param("show") long show, @Param("name") String name);
    }

    private final Rows rows;

    NameStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<Whole, String> kind() {
        return PartKinds.NAME;
    }

    @Override
    public List<Change<Whole, String>> read(long show, Losses losses) {
        return List.of(new Change<>(kind(), Whole.SHOW, Optional.empty(), Optional.of(rows.name(show))));
    }

    @Override
    public void write(long show, Show after, List<Change<Whole, String>> changes) {
        changes.forEach(c -> c.after().ifPresent(name -> rows.put(show, name)));
    }
}
