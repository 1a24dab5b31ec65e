package app.loculus.app.store;

import app.loculus.core.show.Show;
import app.loculus.formats.showfile.ShowArchive;
import app.loculus.formats.showfile.ShowFile;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** Keeps named versions of shows, each a whole show file. */
@Repository
public class VersionStore {

    /** A version as it is listed. */
    public record Version(long id, String name, long revision, OffsetDateTime madeAt, int fixtures, long octets) {}

    /** A version's content alone. */
    record ContentRow(long id, byte[] content) {}

    interface Rows {
        @Select("select id, name, revision, made_at, fixtures, octet_length(content) octets from "
                + "show_version where show_id = #{show} order by id desc")
        List<Version> of(@Param("show") long show);

        @Select("select count(*) from show_version where show_id = #{show}")
        int count(@Param("show") long show);

        @Insert("insert into show_version (show_id, name, revision, made_at, fixtures, content) values "
                + "(#{show}, #{v.name}, #{v.revision}, #{v.madeAt}, #{v.fixtures}, #{content})")
        void keep(@Param("show") long show, @Param("v") Version version, @Param("content") byte[] content);

        @Select("select id, content from show_version where show_id = #{show} and id = #{id}")
        ContentRow content(@Param("show") long show, @Param("id") long id);

        @Delete("delete from show_version where show_id = #{show} and id = #{id}")
        void delete(@Param("show") long show, @Param("id") long id);
    }

    private final Rows rows;
    private final Clock clock;

    VersionStore(Mappers mappers, Clock clock) {
        this.rows = mappers.of(Rows.class);
        this.clock = clock;
    }

    /** Newest first. */
    public List<Version> of(long show) {
        return rows.of(show);
    }

    public int count(long show) {
        return rows.count(show);
    }

    /** Keeps a version within the transaction that is under way. */
    void keep(long id, String name, long revision, Show show) {
        int fixtures = show.patch().size();
        rows.keep(id, new Version(0, name, revision, OffsetDateTime.now(clock), fixtures, 0), ShowArchive.write(show));
    }

    /** Keeps versions that came with a show file, the oldest first, as old as they say they are. */
    void keep(long id, List<ShowFile.Version> versions) {
        for (int i = versions.size() - 1; i >= 0; i--) {
            ShowFile.Version v = versions.get(i);
            rows.keep(id, new Version(0, v.name(), v.revision(), madeAt(v), v.fixtures(), 0), v.octets());
        }
    }

    private OffsetDateTime madeAt(ShowFile.Version version) {
        try {
            return OffsetDateTime.parse(version.madeAt());
        } catch (DateTimeException | NullPointerException e) {
            return OffsetDateTime.now(clock);
        }
    }

    /** Those that a show file holds, with their octets. */
    public List<ShowFile.Version> held(long id) {
        List<Version> all = of(id);
        return all.subList(0, held(all)).stream()
                .map(v -> new ShowFile.Version(
                        v.name(),
                        v.revision(),
                        v.madeAt().toString(),
                        v.fixtures(),
                        rows.content(id, v.id()).content()))
                .toList();
    }

    /** How many of the newest a show file holds. */
    public static int held(List<Version> newestFirst) {
        return ShowArchive.holds(newestFirst.stream().map(Version::octets).toList());
    }

    public Optional<Show> show(long id, long version) {
        return Optional.ofNullable(rows.content(id, version))
                .map(c -> ShowArchive.read(c.content(), new ArrayList<>()));
    }

    void delete(long id, long version) {
        rows.delete(id, version);
    }
}
