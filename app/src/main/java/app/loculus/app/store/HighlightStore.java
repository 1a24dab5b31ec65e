package app.loculus.app.store;

import app.loculus.core.programmer.HighlightLook;
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

/** What showing off looks like. */
@Component
class HighlightStore implements PartStore<Whole, HighlightLook> {

    interface Rows {
        @Select("select look from highlight_look where show_id = #{show}")
        String look(@Param("show") long show);

        @Delete("delete from highlight_look where show_id = #{show}")
        void delete(@Param("show") long show);

        @Insert("merge into highlight_look (show_id, look) key (show_id) values (#{show}, #{look})")
        void put(@Param("show") long show, @Param("look") String look);
    }

    private final Rows rows;
    private final JournalFormat format;

    HighlightStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<Whole, HighlightLook> kind() {
        return PartKinds.HIGHLIGHT;
    }

    @Override
    public List<Change<Whole, HighlightLook>> read(long show, Losses losses) {
        return Optional.ofNullable(rows.look(show))
                .flatMap(text -> losses.attempt(kind(), () -> format.readPart(kind(), text)))
                .map(look -> List.of(new Change<>(
                        kind(), Whole.SHOW, Optional.<HighlightLook>empty(), kind().stored(Whole.SHOW, look))))
                .orElse(List.of());
    }

    @Override
    public void write(long show, Show after, List<Change<Whole, HighlightLook>> changes) {
        changes.forEach(c -> c.after()
                .ifPresentOrElse(look -> rows.put(show, format.writePart(kind(), look)), () -> rows.delete(show)));
    }
}
