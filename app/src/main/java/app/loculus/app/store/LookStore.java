package app.loculus.app.store;

import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
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

/** Looks and their values: units that have the same in a look share one row. */
@Component
class LookStore implements PartStore<LookId, Look> {

    record LookRow(long showId, int id, Integer number, String name) {}

    /** @param units runs of units such as {@code 1-20 51.1-4} */
    record LookValueRow(long showId, int lookId, String digest, String held, String units) {}

    interface Rows {
        @Select("select * from look where show_id = #{show} order by id")
        List<LookRow> looks(@Param("show") long show);

        @Select("select * from look_value where show_id = #{show} order by look_id, digest")
        List<LookValueRow> values(@Param("show") long show);

        @Delete("delete from look where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Delete("delete from look_value where show_id = #{show} and look_id = #{id}")
        void deleteValues(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into look ({columns}) values ({values})")
        void insert(LookRow row);

        @Lang(RowColumns.class)
        @Insert("insert into look_value ({columns}) values ({values})")
        void insertValue(LookValueRow row);
    }

    private final Rows rows;
    private final JournalFormat format;

    LookStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<LookId, Look> kind() {
        return PartKinds.LOOKS;
    }

    @Override
    public List<Change<LookId, Look>> read(long show, Losses losses) {
        Map<Integer, List<LookValueRow>> values =
                rows.values(show).stream().collect(Collectors.groupingBy(LookValueRow::lookId));
        List<Change<LookId, Look>> all = new ArrayList<>();
        for (LookRow row : rows.looks(show)) {
            losses.attempt(kind(), () -> look(row, values.getOrDefault(row.id(), List.of()), losses))
                    .ifPresent(l -> all.add(new Change<>(kind(), l.id(), Optional.empty(), Optional.of(l))));
        }
        return all;
    }

    /** A row of values that cannot be read is told, the others come all the same. */
    private Look look(LookRow row, List<LookValueRow> values, Losses losses) {
        Map<UnitId, UnitValues> held = new LinkedHashMap<>();
        values.forEach(v -> losses.attempt(kind(), () -> format.readPart(PartKinds.VALUES, v.held()))
                .ifPresent(same -> format.readKeys(
                                PartKinds.VALUES, Arrays.asList(v.units().split(" ")))
                        .forEach(unit -> held.put(unit, same))));
        return new Look(new LookId(row.id()), Optional.ofNullable(row.number()), row.name(), held);
    }

    @Override
    public void write(long show, Show after, List<Change<LookId, Look>> changes) {
        for (Change<LookId, Look> c : changes) {
            boolean same = c.before().isPresent()
                    && c.after().isPresent()
                    && c.before().get().values().equals(c.after().get().values());
            c.before().ifPresent(l -> rows.delete(show, l.id().value()));
            if (!same) {
                c.before().ifPresent(l -> rows.deleteValues(show, l.id().value()));
            }
            c.after().ifPresent(l -> put(show, l, !same));
        }
    }

    private void put(long show, Look look, boolean withValues) {
        int id = look.id().value();
        rows.insert(new LookRow(show, id, look.number().orElse(null), look.name()));
        if (withValues) {
            Map<UnitValues, List<UnitId>> sharing = new LinkedHashMap<>();
            look.values()
                    .forEach((unit, v) ->
                            sharing.computeIfAbsent(v, x -> new ArrayList<>()).add(unit));
            sharing.forEach((v, units) -> {
                String text = format.writePart(PartKinds.VALUES, v);
                String runs = String.join(" ", format.writeKeys(PartKinds.VALUES, units));
                rows.insertValue(new LookValueRow(show, id, Digest.of(text), text, runs));
            });
        }
    }
}
