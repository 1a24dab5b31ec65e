package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Fixtures and their addresses. Lists must not be empty. */
@Mapper
interface PatchMapper {

    @Select(
            "select id, number, name, profile_id, mode, position, purpose, placed, x, y, z, rx, ry, rz, notes, answer, answer_note from fixture where show_id = #{show} order by number")
    List<Rows.FixtureRow> fixtures(@Param("show") long show);

    @Select("select * from fixture_address where show_id = #{show} order by fixture_id, seq")
    List<Rows.AddressRow> addresses(@Param("show") long show);

    @Delete("<script>delete from fixture where show_id = #{show} and id in "
            + "<foreach item='i' collection='ids' open='(' separator=',' close=')'>#{i}</foreach></script>")
    void delete(@Param("show") long show, @Param("ids") List<Integer> ids);

    @Insert(
            "<script>insert into fixture (show_id, id, number, name, profile_id, mode, position, purpose, placed, x, y, z, rx, ry, rz, notes, answer, answer_note) values "
                    + "<foreach item='f' collection='rows' separator=','>(#{show}, #{f.id}, #{f.number}, #{f.name}, #{f.profileId}, #{f.mode}, "
                    + "#{f.position}, #{f.purpose}, #{f.placed}, #{f.x}, #{f.y}, #{f.z}, #{f.rx}, #{f.ry}, #{f.rz}, #{f.notes}, #{f.answer}, #{f.answerNote})</foreach></script>")
    void insert(@Param("show") long show, @Param("rows") List<Rows.FixtureRow> rows);

    @Insert(
            "<script>insert into fixture_address (show_id, fixture_id, seq, break_number, universe, slot, shared) values "
                    + "<foreach item='a' collection='rows' separator=','>(#{show}, #{a.fixtureId}, #{a.seq}, #{a.breakNumber}, #{a.universe}, "
                    + "#{a.slot}, #{a.shared})</foreach></script>")
    void insertAddresses(@Param("show") long show, @Param("rows") List<Rows.AddressRow> rows);

    @Select(
            "select universe, name, is_on, port, priority, route, target, target_name from universe_setup where show_id = #{show} order by universe")
    List<Rows.UniverseRow> universes(@Param("show") long show);

    @Delete("delete from universe_setup where show_id = #{show} and universe = #{universe}")
    void deleteUniverse(@Param("show") long show, @Param("universe") int universe);

    @Insert(
            "insert into universe_setup (show_id, universe, name, is_on, port, priority, route, target, target_name) values "
                    + "(#{show}, #{u.universe}, #{u.name}, #{u.isOn}, #{u.port}, #{u.priority}, #{u.route}, #{u.target}, #{u.targetName})")
    void insertUniverse(@Param("show") long show, @Param("u") Rows.UniverseRow row);
}
