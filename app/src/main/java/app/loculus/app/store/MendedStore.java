package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** Findings that were open and are not any more. */
@Repository
public class MendedStore {

    /** Characters that there is room for. */
    private static final int LONGEST = 2000;

    /** @param finding its key; @param deed what did it, empty when it was several things */
    public record Mended(long showId, String finding, String words, String deed, OffsetDateTime at) {

        public Mended {
            words = words.substring(0, Math.min(words.length(), LONGEST));
            deed = deed.substring(0, Math.min(deed.length(), LONGEST));
        }
    }

    interface Rows {
        @Select("select * from mended where show_id = #{show} and at >= #{since} order by at desc, finding")
        List<Mended> since(@Param("show") long show, @Param("since") OffsetDateTime since);

        @Lang(RowColumns.class)
        @Insert("merge into mended ({columns}) key (show_id, finding) values ({values})")
        void put(Mended mended);

        @Delete("delete from mended where show_id = #{show} and finding = #{finding}")
        void delete(@Param("show") long show, @Param("finding") String finding);

        @Delete("delete from mended where at < #{before}")
        void forget(@Param("before") OffsetDateTime before);
    }

    private final Rows rows;
    private final Disk disk;

    MendedStore(Mappers mappers, Disk disk) {
        this.rows = mappers.of(Rows.class);
        this.disk = disk;
    }

    public List<Mended> since(long show, OffsetDateTime since) {
        return rows.since(show, since);
    }

    /** @param again keys of findings that are there again; @param before what is older is forgotten */
    public void write(long show, Collection<Mended> mended, Collection<String> again, OffsetDateTime before) {
        disk.write(() -> {
            rows.forget(before);
            mended.forEach(rows::put);
            again.forEach(key -> rows.delete(show, key));
        });
    }
}
