package app.loculus.app.store;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** What requests with a key were answered, so that one that is repeated changes nothing more; the latest are kept. */
@Repository
public class KeyStore {

    private static final int KEPT = 1000;

    /** Old ones are dropped now and then. */
    private static final int BOUND_EVERY = 64;

    /**
     * What a key stands for.
     *
     * @param content digest of what was asked with it
     * @param answer as JSON
     */
    public record Kept(String content, long revision, String answer) {}

    interface Rows {
        @Select("select content, revision, answer from request_key where show_id = #{show} and name = #{name}")
        Kept find(@Param("show") long show, @Param("name") String name);

        @Insert("insert into request_key (show_id, name, content, revision, answer) values "
                + "(#{show}, #{name}, #{k.content}, #{k.revision}, #{k.answer})")
        void put(@Param("show") long show, @Param("name") String name, @Param("k") Kept kept);

        @Delete("delete from request_key where show_id = #{show} and id <= "
                + "(select max(id) from request_key where show_id = #{show}) - #{kept}")
        void bound(@Param("show") long show, @Param("kept") int kept);
    }

    private final Rows rows;
    private final AtomicLong puts = new AtomicLong();

    KeyStore(Mappers mappers) {
        this.rows = mappers.of(Rows.class);
    }

    /** @param show 0 for what is of no show yet */
    public Optional<Kept> find(long show, String name) {
        return Optional.ofNullable(rows.find(show, name));
    }

    public void put(long show, String name, Kept kept) {
        rows.put(show, name, kept);
        if (puts.incrementAndGet() % BOUND_EVERY == 0) {
            rows.bound(show, KEPT);
        }
    }
}
