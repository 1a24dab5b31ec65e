package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Palettes and their entries. */
@Mapper
interface PaletteMapper {

    @Select(
            "select id, kind, number, name, intent_x, intent_y from palette where show_id = #{show} order by kind, number")
    List<Rows.PaletteRow> palettes(@Param("show") long show);

    @Select("select * from palette_entry where show_id = #{show} order by palette_id, seq")
    List<Rows.EntryRow> entries(@Param("show") long show);

    @Delete("delete from palette where show_id = #{show} and id = #{id}")
    void delete(@Param("show") long show, @Param("id") int id);

    @Insert("insert into palette (show_id, id, kind, number, name, intent_x, intent_y) values "
            + "(#{show}, #{p.id}, #{p.kind}, #{p.number}, #{p.name}, #{p.intentX}, #{p.intentY})")
    void insert(@Param("show") long show, @Param("p") Rows.PaletteRow palette);

    @Insert(
            "<script>insert into palette_entry (show_id, palette_id, seq, scope, scope_profile, scope_mode, scope_fixture, scope_cell, "
                    + "attribute, value_form, value_number, value_text, companion) values "
                    + "<foreach item='e' collection='rows' separator=','>(#{show}, #{e.paletteId}, #{e.seq}, #{e.scope}, #{e.scopeProfile}, #{e.scopeMode}, "
                    + "#{e.scopeFixture}, #{e.scopeCell}, #{e.attribute}, #{e.valueForm}, #{e.valueNumber}, #{e.valueText}, #{e.companion})</foreach></script>")
    void insertEntries(@Param("show") long show, @Param("rows") List<Rows.EntryRow> rows);
}
