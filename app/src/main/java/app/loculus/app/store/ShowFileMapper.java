package app.loculus.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Shows and their copies of profiles. */
@Mapper
interface ShowFileMapper {

    @Select("select id, name, revision, live, created_at, changed_at, kind, archived from show_file order by id")
    List<Rows.ShowFile> all();

    @Select(
            "select id from final table (insert into show_file (name, kind, created_at, changed_at) values (#{name}, #{kind}, #{at}, #{at}))")
    long create(@Param("name") String name, @Param("kind") String kind, @Param("at") OffsetDateTime at);

    @Update("update show_file set archived = #{archived} where id = #{id}")
    void archive(@Param("id") long id, @Param("archived") boolean archived);

    @Update("update show_file set name = #{name}, revision = #{revision}, changed_at = #{at} where id = #{id}")
    void changed(
            @Param("id") long id,
            @Param("name") String name,
            @Param("revision") long revision,
            @Param("at") OffsetDateTime at);

    @Update("update show_file set live = (id = #{id})")
    void live(@Param("id") long id);

    @Insert("merge into profile_source (id, maker, name, xml) key (id) values (#{id}, #{maker}, #{name}, #{xml})")
    void keepSource(Rows.ProfileSource source);

    @Select(
            "select s.id, s.maker, s.name, s.xml from profile_source s join show_profile p on p.profile_id = s.id where p.show_id = #{show}")
    List<Rows.ProfileSource> sources(@Param("show") long show);

    @Select("select id, maker, name, xml from profile_source where id = #{id}")
    Rows.ProfileSource source(@Param("id") String id);

    @Insert("merge into show_profile (show_id, profile_id) key (show_id, profile_id) values (#{show}, #{profile})")
    void take(@Param("show") long show, @Param("profile") String profile);

    @Delete("delete from show_profile where show_id = #{show} and profile_id = #{profile}")
    void drop(@Param("show") long show, @Param("profile") String profile);

    @Insert("merge into hand (show_id, held) key (show_id) values (#{show}, #{held})")
    void hold(@Param("show") long show, @Param("held") String held);

    @Select("select held from hand where show_id = #{show}")
    String held(@Param("show") long show);

    @Select("select name, png from profile_picture where profile_id = #{id} order by name")
    List<Rows.PictureRow> pictures(@Param("id") String id);

    @Insert("merge into profile_picture (profile_id, name, png) key (profile_id, name) values (#{id}, #{name}, #{png})")
    void keepPicture(@Param("id") String id, @Param("name") String name, @Param("png") byte[] png);

    @Select("select profile_id, origin from library_profile order by added_at, profile_id")
    List<Rows.LibraryRow> library();

    @Insert(
            "merge into library_profile (profile_id, origin, added_at) key (profile_id) values (#{id}, #{origin}, #{at})")
    void shelve(@Param("id") String id, @Param("origin") String origin, @Param("at") OffsetDateTime at);

    @Delete("delete from library_profile where profile_id = #{id}")
    void unshelve(@Param("id") String id);
}
