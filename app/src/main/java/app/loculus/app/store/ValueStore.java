package app.loculus.app.store;

import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.journal.JournalFormat;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Component;

/** Working values: units that have the same share one row, so that an edit of thousands of them writes a few. */
@Component
class ValueStore implements PartStore<UnitId, UnitValues> {

    /**
     * @param digest of what is held, as its key
     * @param units runs of units such as {@code 1-20 51.1-4}
     */
    record ValueRow(long showId, String digest, String held, String units) {}

    interface Rows {
        @Select("select * from working_value where show_id = #{show} order by digest")
        List<ValueRow> values(@Param("show") long show);

        @Delete("delete from working_value where show_id = #{show} and digest = #{digest}")
        void delete(@Param("show") long show, @Param("digest") String digest);

        @Lang(RowColumns.class)
        @Insert("insert into working_value ({columns}) values ({values})")
        void insert(ValueRow row);
    }

    private final Rows rows;
    private final JournalFormat format;

    ValueStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    @Override
    public PartKind<UnitId, UnitValues> kind() {
        return PartKinds.VALUES;
    }

    @Override
    public List<Change<UnitId, UnitValues>> read(long show, Losses losses) {
        List<Change<UnitId, UnitValues>> all = new ArrayList<>();
        for (ValueRow row : rows.values(show)) {
            losses.attempt(kind(), () -> changes(row)).ifPresent(all::addAll);
        }
        return all;
    }

    private List<Change<UnitId, UnitValues>> changes(ValueRow row) {
        UnitValues held = format.readPart(kind(), row.held());
        return format.readKeys(kind(), Arrays.asList(row.units().split(" "))).stream()
                .map(unit -> new Change<>(kind(), unit, Optional.empty(), Optional.of(held)))
                .toList();
    }

    @Override
    public void write(long show, Show after, List<Change<UnitId, UnitValues>> changes) {
        List<ValueRow> held = new ArrayList<>();
        sharing(after, changes).forEach((values, units) -> {
            String text = format.writePart(kind(), values);
            String runs = String.join(" ", format.writeKeys(kind(), units));
            held.add(new ValueRow(show, digest(text), text, runs));
        });
        held.forEach(row -> rows.delete(show, row.digest()));
        held.stream().filter(row -> !row.units().isEmpty()).forEach(rows::insert);
    }

    /** Everybody who has them now, for all values somebody got or gave up. */
    private static Map<UnitValues, List<UnitId>> sharing(Show after, List<Change<UnitId, UnitValues>> changes) {
        Map<UnitValues, List<UnitId>> sharing = new LinkedHashMap<>();
        changes.forEach(c -> c.before().ifPresent(v -> sharing.put(v, new ArrayList<>())));
        changes.forEach(c -> c.after().ifPresent(v -> sharing.put(v, new ArrayList<>())));
        after.programmer()
                .values()
                .forEach((unit, v) -> Optional.ofNullable(sharing.get(v)).ifPresent(units -> units.add(unit)));
        return sharing;
    }

    static String digest(String held) {
        try {
            byte[] all = MessageDigest.getInstance("SHA-256").digest(held.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(all, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
