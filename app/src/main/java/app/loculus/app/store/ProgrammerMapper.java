package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Working values. Lists must not be empty. */
@Mapper
interface ProgrammerMapper {

    /** A unit's key, for deleting. */
    record UnitKey(int fixture, int cell) {}

    @Select("select * from programmer_value where show_id = #{show} order by fixture_id, cell, seq")
    List<Rows.ValueRow> values(@Param("show") long show);

    @Delete(
            "<script>delete from programmer_value where show_id = #{show} and (fixture_id, cell) in "
                    + "<foreach item='u' collection='units' open='(' separator=',' close=')'>(#{u.fixture}, #{u.cell})</foreach></script>")
    void delete(@Param("show") long show, @Param("units") List<UnitKey> units);

    @Insert(
            "<script>insert into programmer_value (show_id, fixture_id, cell, seq, attribute, value_form, value_number, value_text, touched, companion) values "
                    + "<foreach item='v' collection='rows' separator=','>(#{show}, #{v.fixtureId}, #{v.cell}, #{v.seq}, #{v.attribute}, #{v.valueForm}, "
                    + "#{v.valueNumber}, #{v.valueText}, #{v.touched}, #{v.companion})</foreach></script>")
    void insert(@Param("show") long show, @Param("rows") List<Rows.ValueRow> rows);
}
