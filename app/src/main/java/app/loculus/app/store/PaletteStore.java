package app.loculus.app.store;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Label;
import app.loculus.core.palette.Palette;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Tint;
import app.loculus.core.value.PaletteId;
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

/** Palettes and their entries. */
@Component
class PaletteStore implements PartStore<PaletteId, Palette> {

    record PaletteRow(
            long showId,
            int id,
            Kind kind,
            int number,
            String name,
            Double intentX,
            Double intentY,
            Integer aimMark,
            Tint tint,
            String note,
            Double seconds,
            boolean starter) {}

    interface Rows {
        @Select("select * from palette where show_id = #{show} order by id")
        List<PaletteRow> palettes(@Param("show") long show);

        @Select("select * from palette_entry where show_id = #{show} order by palette_id, seq")
        List<EntryRow> entries(@Param("show") long show);

        @Delete("delete from palette where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") int id);

        @Lang(RowColumns.class)
        @Insert("insert into palette ({columns}) values ({values})")
        void insert(PaletteRow row);

        @Lang(RowColumns.class)
        @Insert("insert into palette_entry ({columns}) values ({values})")
        void insertEntry(EntryRow row);
    }

    private final Rows rows;

    PaletteStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    @Override
    public PartKind<PaletteId, Palette> kind() {
        return PartKinds.PALETTES;
    }

    @Override
    public List<Change<PaletteId, Palette>> read(long show, Losses losses) {
        Map<Integer, List<EntryRow>> entries =
                rows.entries(show).stream().collect(Collectors.groupingBy(EntryRow::paletteId));
        List<Change<PaletteId, Palette>> all = new ArrayList<>();
        for (PaletteRow row : rows.palettes(show)) {
            losses.attempt(kind(), () -> palette(row, entries.getOrDefault(row.id(), List.of())))
                    .ifPresent(p -> all.add(new Change<>(kind(), p.id(), Optional.empty(), Optional.of(p))));
        }
        return all;
    }

    private static Palette palette(PaletteRow row, List<EntryRow> entries) {
        return new Palette(
                new PaletteId(row.id()),
                row.kind(),
                row.number(),
                row.name(),
                Optional.ofNullable(row.intentX()).map(x -> new Chromaticity(x, row.intentY())),
                Optional.ofNullable(row.aimMark()).map(MarkId::new),
                new Label(row.tint(), row.note(), Optional.ofNullable(row.seconds()), row.starter()),
                entries.stream().map(EntryRow::entry).toList());
    }

    @Override
    public void write(long show, Show after, List<Change<PaletteId, Palette>> changes) {
        for (Change<PaletteId, Palette> c : changes) {
            c.before().ifPresent(p -> rows.delete(show, c.key().value()));
            c.after().ifPresent(p -> put(show, p));
        }
    }

    private void put(long show, Palette p) {
        int id = p.id().value();
        rows.insert(new PaletteRow(
                show,
                id,
                p.kind(),
                p.number(),
                p.name(),
                p.intent().map(Chromaticity::x).orElse(null),
                p.intent().map(Chromaticity::y).orElse(null),
                p.aim().map(MarkId::value).orElse(null),
                p.label().tint(),
                p.label().note(),
                p.label().seconds().orElse(null),
                p.label().starter()));
        int seq = 0;
        for (Entry e : p.entries()) {
            rows.insertEntry(EntryRow.of(show, id, seq++, e));
        }
    }
}
