package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Groups and their members. */
@Mapper
interface GroupMapper {

    @Select("select id, number, name from show_group where show_id = #{show} order by number")
    List<Rows.GroupRow> groups(@Param("show") long show);

    @Select(
            "select group_id, step, seq, fixture_id, cell from group_member where show_id = #{show} order by group_id, step, seq")
    List<Rows.MemberRow> members(@Param("show") long show);

    @Delete("delete from show_group where show_id = #{show} and id = #{id}")
    void delete(@Param("show") long show, @Param("id") int id);

    @Insert("insert into show_group (show_id, id, number, name) values (#{show}, #{g.id}, #{g.number}, #{g.name})")
    void insert(@Param("show") long show, @Param("g") Rows.GroupRow group);

    @Insert(
            "<script>insert into group_member (show_id, group_id, step, seq, fixture_id, cell) values "
                    + "<foreach item='m' collection='rows' separator=','>(#{show}, #{m.groupId}, #{m.step}, #{m.seq}, #{m.fixtureId}, #{m.cell})</foreach></script>")
    void insertMembers(@Param("show") long show, @Param("rows") List<Rows.MemberRow> rows);
}
