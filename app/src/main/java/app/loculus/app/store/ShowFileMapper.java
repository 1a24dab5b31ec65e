package app.loculus.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The list of shows. */
interface ShowFileMapper {

    record FileRow(
            long id,
            String name,
            long revision,
            boolean live,
            OffsetDateTime createdAt,
            OffsetDateTime changedAt,
            String kind,
            boolean archived) {}

    @Select("select * from show_file order by id")
    List<FileRow> all();

    /** Fixtures that have a place on the plan, in order of their numbers. */
    @Select("select number, position, x, y from fixture where show_id = #{id} and placed order by number")
    List<ShowStore.OnPlan> plan(@Param("id") long id);

    @Select("select * from show_file where id = #{id}")
    FileRow find(@Param("id") long id);

    @Select("select id from final table (insert into show_file (name, kind, created_at, changed_at) values "
            + "(#{name}, #{kind}, #{at}, #{at}))")
    long create(@Param("name") String name, @Param("kind") String kind, @Param("at") OffsetDateTime at);

    @Update("update show_file set archived = #{archived} where id = #{id}")
    void archive(@Param("id") long id, @Param("archived") boolean archived);

    @Update("update show_file set revision = #{revision}, changed_at = #{at} where id = #{id}")
    void changed(@Param("id") long id, @Param("revision") long revision, @Param("at") OffsetDateTime at);

    @Update("update show_file set live = (id = #{id})")
    void live(@Param("id") long id);
}
