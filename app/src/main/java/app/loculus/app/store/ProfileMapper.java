package app.loculus.app.store;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Descriptions and pictures of profiles, and the shelf of the library. */
interface ProfileMapper {

    record SourceRow(String id, String maker, String name, String xml) {}

    record PictureRow(String profileId, String name, byte[] png) {}

    record ShelfRow(String profileId, String origin, OffsetDateTime addedAt) {}

    @Lang(RowColumns.class)
    @Insert("merge into profile_source ({columns}) key (id) values ({values})")
    void keepSource(SourceRow source);

    @Select("select * from profile_source where id = #{id}")
    SourceRow source(@Param("id") String id);

    @Select("select * from profile_picture where profile_id = #{id} order by name")
    List<PictureRow> pictures(@Param("id") String id);

    @Lang(RowColumns.class)
    @Insert("merge into profile_picture ({columns}) key (profile_id, name) values ({values})")
    void keepPicture(PictureRow picture);

    @Select("select * from library_profile order by added_at, profile_id")
    List<ShelfRow> shelf();

    @Lang(RowColumns.class)
    @Insert("merge into library_profile ({columns}) key (profile_id) values ({values})")
    void shelve(ShelfRow row);

    @Delete("delete from library_profile where profile_id = #{id}")
    void unshelve(@Param("id") String id);
}
