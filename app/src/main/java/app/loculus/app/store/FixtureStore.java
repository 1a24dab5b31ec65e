package app.loculus.app.store;

import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Fixtures and their addresses. */
@Component
class FixtureStore implements PartStore<FixtureId, Fixture> {

    /** One address of a fixture, in order. */
    record AddressRow(long showId, int fixtureId, int seq, int breakNumber, int universe, int slot, boolean shared) {}

    interface Rows {
        @Select("select * from fixture where show_id = #{show} order by id")
        List<FixtureRow> fixtures(@Param("show") long show);

        @Select("select * from fixture_address where show_id = #{show} order by fixture_id, seq")
        List<AddressRow> addresses(@Param("show") long show);

        @Delete("delete from fixture where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into fixture ({columns}) values ({values})")
        void insert(FixtureRow row);

        @Lang(RowColumns.class)
        @Insert("insert into fixture_address ({columns}) values ({values})")
        void insertAddress(AddressRow row);
    }

    private final Rows rows;

    FixtureStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<FixtureId, Fixture> kind() {
        return PartKinds.FIXTURES;
    }

    @Override
    public List<Change<FixtureId, Fixture>> read(long show, Losses losses) {
        Map<Integer, List<AddressRow>> addresses =
                rows.addresses(show).stream().collect(Collectors.groupingBy(AddressRow::fixtureId));
        List<Change<FixtureId, Fixture>> all = new ArrayList<>();
        for (FixtureRow row : rows.fixtures(show)) {
            losses.attempt(kind(), () -> row.fixture(at(addresses.getOrDefault(row.id(), List.of()))))
                    .ifPresent(f -> all.add(new Change<>(kind(), f.id(), Optional.empty(), Optional.of(f))));
        }
        return all;
    }

    private static List<PatchedAddress> at(List<AddressRow> rows) {
        return rows.stream()
                .map(a -> new PatchedAddress(a.breakNumber(), new Address(a.universe(), a.slot()), a.shared()))
                .toList();
    }

    @Override
    public void write(long show, Show after, List<Change<FixtureId, Fixture>> changes) {
        changes.stream()
                .filter(c -> c.before().isPresent())
                .forEach(c -> rows.delete(show, c.key().value()));
        List<Fixture> put = changes.stream().flatMap(c -> c.after().stream()).toList();
        put.forEach(f -> rows.insert(FixtureRow.of(show, f)));
        put.forEach(f -> addresses(show, f).forEach(rows::insertAddress));
    }

    private static List<AddressRow> addresses(long show, Fixture f) {
        List<AddressRow> all = new ArrayList<>();
        for (PatchedAddress a : f.addresses()) {
            Address at = a.address();
            all.add(new AddressRow(
                    show, f.id().value(), all.size(), a.breakNumber(), at.universe(), at.slot(), a.shared()));
        }
        return all;
    }
}
