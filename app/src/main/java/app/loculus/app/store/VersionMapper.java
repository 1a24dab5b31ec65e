package app.loculus.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Named versions of shows, each a whole show file. */
@Mapper
interface VersionMapper {

    /** A version without its content. */
    record VersionRow(long id, String name, long revision, OffsetDateTime madeAt, int fixtures) {}

    /** A version's content alone. */
    record ContentRow(long id, byte[] content) {}

    @Select("select id, name, revision, made_at, fixtures from show_version where show_id = #{show} order by id desc")
    List<VersionRow> of(@Param("show") long show);

    @Insert("insert into show_version (show_id, name, revision, made_at, fixtures, content) values "
            + "(#{show}, #{v.name}, #{v.revision}, #{v.madeAt}, #{v.fixtures}, #{content})")
    void keep(@Param("show") long show, @Param("v") VersionRow version, @Param("content") byte[] content);

    @Select("select id, content from show_version where show_id = #{show} and id = #{id}")
    ContentRow content(@Param("show") long show, @Param("id") long id);

    @Delete("delete from show_version where show_id = #{show} and id = #{id}")
    void delete(@Param("show") long show, @Param("id") long id);
}
