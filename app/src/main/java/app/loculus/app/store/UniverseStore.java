package app.loculus.app.store;

import app.loculus.core.patch.Route;
import app.loculus.core.patch.UniverseSetup;
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

/** What universes are called and where they go. */
@Component
class UniverseStore implements PartStore<Integer, UniverseSetup> {

    record UniverseRow(
            long showId,
            int universe,
            String name,
            boolean isOn,
            int port,
            int priority,
            Route.Kind route,
            String target,
            String targetName,
            int sync) {}

    interface Rows {
        @Select("select * from universe_setup where show_id = #{show} order by universe")
        List<UniverseRow> universes(@Param("show") long show);

        @Delete("delete from universe_setup where show_id = #{show} and universe = #{universe}")
        void delete(@Param("show") long show, @Param("universe") int universe);

        @Lang(RowColumns.class)
        @Insert("insert into universe_setup ({columns}) values ({values})")
        void insert(UniverseRow row);
    }

    private final Rows rows;

    UniverseStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<Integer, UniverseSetup> kind() {
        return PartKinds.UNIVERSES;
    }

    @Override
    public List<Change<Integer, UniverseSetup>> read(long show, Losses losses) {
        List<Change<Integer, UniverseSetup>> all = new ArrayList<>();
        for (UniverseRow row : rows.universes(show)) {
            losses.attempt(kind(), () -> setup(row))
                    .ifPresent(u -> all.add(new Change<>(kind(), u.universe(), Optional.empty(), Optional.of(u))));
        }
        return all;
    }

    private static UniverseSetup setup(UniverseRow u) {
        Route route = new Route(u.route(), u.target(), u.targetName());
        return new UniverseSetup(u.universe(), u.name(), u.isOn(), u.port(), u.priority(), route, u.sync());
    }

    @Override
    public void write(long show, Show after, List<Change<Integer, UniverseSetup>> changes) {
        for (Change<Integer, UniverseSetup> c : changes) {
            rows.delete(show, c.key());
            c.after()
                    .ifPresent(u -> rows.insert(new UniverseRow(
                            show,
                            u.universe(),
                            u.name(),
                            u.on(),
                            u.port(),
                            u.priority(),
                            u.route().kind(),
                            u.route().target(),
                            u.route().name(),
                            u.sync())));
        }
    }
}
