package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** Versions that others may look at. */
@Repository
public class ShowingStore {

    /** @param token what is in the link */
    public record Showing(String token, long showId, long versionId, OffsetDateTime madeAt) {}

    interface Rows {
        @Select("select * from showing where token = #{token}")
        Showing find(@Param("token") String token);

        @Select("select * from showing where show_id = #{show} order by made_at")
        List<Showing> of(@Param("show") long show);

        @Lang(RowColumns.class)
        @Insert("insert into showing ({columns}) values ({values})")
        void insert(Showing showing);

        @Delete("delete from showing where show_id = #{show} and token = #{token}")
        void delete(@Param("show") long show, @Param("token") String token);
    }

    private final Rows rows;
    private final Disk disk;

    ShowingStore(Mappers mappers, Disk disk) {
        this.rows = mappers.of(Rows.class);
        this.disk = disk;
    }

    public Optional<Showing> find(String token) {
        return Optional.ofNullable(rows.find(token));
    }

    /** The oldest first. */
    public List<Showing> of(long show) {
        return rows.of(show);
    }

    public void put(Showing showing) {
        disk.write(() -> rows.insert(showing));
    }

    public void withdraw(long show, String token) {
        disk.write(() -> rows.delete(show, token));
    }
}
