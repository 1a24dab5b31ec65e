package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Every edit ever made. State: done, undone (can be redone) or dropped (undone, then overtaken by another edit). */
@Mapper
interface JournalMapper {

    @Select(
            "select id from final table (insert into journal (show_id, revision, words, gesture, made_at, state, delta) values "
                    + "(#{show}, #{j.revision}, #{j.words}, #{j.gesture}, #{j.madeAt}, 'done', #{j.delta}))")
    long insert(@Param("show") long show, @Param("j") Rows.JournalRow row);

    @Update("update journal set state = 'dropped' where show_id = #{show} and state = 'undone'")
    void dropUndone(@Param("show") long show);

    @Update("<script>update journal set state = #{state} where id in "
            + "<foreach item='i' collection='ids' open='(' separator=',' close=')'>#{i}</foreach></script>")
    void mark(@Param("ids") List<Long> ids, @Param("state") String state);

    @Select(
            "select id, revision, words, gesture, made_at, state, delta from journal where show_id = #{show} and state = #{state} "
                    + "order by id desc limit #{most}")
    List<Rows.JournalRow> latest(@Param("show") long show, @Param("state") String state, @Param("most") int most);
}
