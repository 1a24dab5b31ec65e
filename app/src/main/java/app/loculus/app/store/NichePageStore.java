package app.loculus.app.store;

import app.loculus.core.niche.NichePage;
import app.loculus.core.niche.NichePageId;
import app.loculus.core.profile.Kind;
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

/** Pages of niches. */
@Component
class NichePageStore implements PartStore<NichePageId, NichePage> {

    private static final String GROUPS = "group";

    /** @param subject group, or the kind of palettes */
    record NichePageRow(
            long showId, int id, String subject, String name, int firstNumber, int columnCount, int rowCount) {

        NichePage page() {
            return new NichePage(
                    new NichePageId(id),
                    subject.equals(GROUPS) ? Optional.empty() : Optional.of(Kind.parse(subject)),
                    name,
                    firstNumber,
                    columnCount,
                    rowCount);
        }
    }

    interface Rows {
        @Select("select * from niche_page where show_id = #{show} order by id")
        List<NichePageRow> pages(@Param("show") long show);

        @Delete("delete from niche_page where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into niche_page ({columns}) values ({values})")
        void insert(NichePageRow row);
    }

    private final Rows rows;

    NichePageStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<NichePageId, NichePage> kind() {
        return PartKinds.NICHE_PAGES;
    }

    @Override
    public List<Change<NichePageId, NichePage>> read(long show, Losses losses) {
        List<Change<NichePageId, NichePage>> all = new ArrayList<>();
        for (NichePageRow row : rows.pages(show)) {
            losses.attempt(kind(), row::page)
                    .ifPresent(p -> all.add(new Change<>(kind(), p.id(), Optional.empty(), Optional.of(p))));
        }
        return all;
    }

    @Override
    public void write(long show, Show after, List<Change<NichePageId, NichePage>> changes) {
        for (Change<NichePageId, NichePage> c : changes) {
            c.before().ifPresent(p -> rows.delete(show, c.key().value()));
            c.after()
                    .ifPresent(p -> rows.insert(new NichePageRow(
                            show, p.id().value(), p.subject(), p.name(), p.first(), p.columns(), p.rows())));
        }
    }
}
