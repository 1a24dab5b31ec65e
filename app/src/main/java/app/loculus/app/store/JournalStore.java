package app.loculus.app.store;

import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.formats.journal.JournalFormat;
import app.loculus.formats.journal.UnreadableEntry;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.stereotype.Repository;

/**
 * The journal: edits with what reverses them, bounded in number and octets. What is not asked for stays on the disk.
 * State of an entry: done, or undone (can be done again); what was undone and then overtaken is dropped at once.
 */
@Repository
public class JournalStore {

    /** How many edits can be taken back. */
    public static final int MOST_ENTRIES = 1000;

    /** What the entries of one show may take together. */
    static final long MOST_OCTETS = 16L << 20;

    /** Octets that lie in the row itself; more go beside it. */
    private static final int LONGEST_IN_ROW = 1 << 20;

    private static final int LONGEST_WORDS = 2000;

    /** An entry without its delta. */
    record EntryRow(long id, String words, String gesture, OffsetDateTime madeAt, int octets) {}

    record BodyRow(int format, String delta, byte[] body, byte[] largeBody) {}

    interface Rows {
        @Select(
                "select id from final table (insert into journal "
                        + "(show_id, revision, moved_at, words, gesture, made_at, state, format, octets, body, large_body) values "
                        + "(#{show}, #{revision}, #{revision}, #{words}, #{gesture}, #{at}, 'done', 2, #{octets}, #{body}, #{large}))")
        long insert(
                @Param("show") long show,
                @Param("revision") long revision,
                @Param("words") String words,
                @Param("gesture") String gesture,
                @Param("at") OffsetDateTime at,
                @Param("octets") int octets,
                @Param("body") byte[] body,
                @Param("large") byte[] large);

        @Update("update journal set moved_at = #{revision}, words = #{words}, made_at = #{at}, format = 2, "
                + "octets = #{octets}, body = #{body}, large_body = #{large}, delta = null where id = #{id}")
        void rewrite(
                @Param("id") long id,
                @Param("revision") long revision,
                @Param("words") String words,
                @Param("at") OffsetDateTime at,
                @Param("octets") int octets,
                @Param("body") byte[] body,
                @Param("large") byte[] large);

        @Update("update journal set state = #{state}, moved_at = #{revision} where id = #{id}")
        void mark(@Param("id") long id, @Param("state") String state, @Param("revision") long revision);

        @Select("select id, words, gesture, made_at, octets from journal where show_id = #{show} and state = #{state} "
                + "order by id desc limit #{most}")
        List<EntryRow> latest(@Param("show") long show, @Param("state") String state, @Param("most") int most);

        @Select("select format, delta, body, large_body from journal where id = #{id}")
        BodyRow body(@Param("id") long id);

        @Select("select id from journal where show_id = #{show} and moved_at > #{revision} order by id limit #{most}")
        List<Long> movedSince(@Param("show") long show, @Param("revision") long revision, @Param("most") int most);

        @Select("select id from journal where show_id = #{show} and revision = #{revision} and state = 'done'")
        Long madeAs(@Param("show") long show, @Param("revision") long revision);

        @Select("select coalesce(max(moved_at), 0) from journal where show_id = #{show} and state = 'undone'")
        long undoneAt(@Param("show") long show);

        @Delete("delete from journal where show_id = #{show} and state = 'undone'")
        void dropUndone(@Param("show") long show);

        @Select("select coalesce(max(moved_at), 0) from journal where show_id = #{show} and id <= #{id}")
        long movedUpTo(@Param("show") long show, @Param("id") long id);

        @Delete("delete from journal where show_id = #{show} and id <= #{id}")
        void dropUpTo(@Param("show") long show, @Param("id") long id);

        @Delete("delete from journal where show_id = #{show} and state = 'undone' and id >= #{id}")
        void dropUndoneFrom(@Param("show") long show, @Param("id") long id);

        @Update("update show_file set forgotten = greatest(forgotten, #{revision}) where id = #{show}")
        void forget(@Param("show") long show, @Param("revision") long revision);

        @Select("select forgotten from show_file where id = #{show}")
        long forgotten(@Param("show") long show);
    }

    private final Rows rows;
    private final JournalFormat format;

    JournalStore(Mappers mappers, JournalFormat format) {
        this.rows = mappers.of(Rows.class);
        this.format = format;
    }

    /** What can be undone and redone, without the deltas. */
    History history(long show) {
        List<History.Entry> done = entries(rows.latest(show, "done", MOST_ENTRIES));
        Collections.reverse(done);
        return new History(done, entries(rows.latest(show, "undone", MOST_ENTRIES)));
    }

    private static List<History.Entry> entries(List<EntryRow> rows) {
        List<History.Entry> entries = new ArrayList<>();
        rows.forEach(r -> entries.add(new History.Entry(
                r.id(),
                r.words(),
                r.gesture(),
                r.octets(),
                r.madeAt().toInstant().toEpochMilli())));
        return entries;
    }

    /** @throws UnreadableEntry when it is damaged or gone */
    public Delta delta(long entry) {
        BodyRow row = rows.body(entry);
        if (row == null) {
            throw new UnreadableEntry("it is gone");
        }
        if (row.format() == 1) {
            return format.readFormat1(row.delta());
        }
        byte[] body = row.body() != null ? row.body() : row.largeBody();
        return format.read(body == null ? new byte[0] : body);
    }

    /** What could have been done again is dropped. */
    void dropUndone(long show) {
        rows.forget(show, rows.undoneAt(show));
        rows.dropUndone(show);
    }

    /** Appends an edit. */
    History.Entry append(long show, long revision, String words, String gesture, Delta delta, OffsetDateTime at) {
        byte[] body = format.write(delta);
        long id = rows.insert(show, revision, cut(words), gesture, at, body.length, inRow(body), beside(body));
        return new History.Entry(id, words, gesture, body.length, at.toInstant().toEpochMilli());
    }

    /** The last edit goes on: one gesture is one entry. */
    History.Entry extend(History.Entry last, long revision, String words, Delta joined, OffsetDateTime at) {
        byte[] body = format.write(joined);
        rows.rewrite(last.id(), revision, cut(words), at, body.length, inRow(body), beside(body));
        return new History.Entry(
                last.id(), words, last.gesture(), body.length, at.toInstant().toEpochMilli());
    }

    private static byte[] inRow(byte[] body) {
        return body.length <= LONGEST_IN_ROW ? body : null;
    }

    private static byte[] beside(byte[] body) {
        return body.length <= LONGEST_IN_ROW ? null : body;
    }

    private static String cut(String words) {
        return words.length() > LONGEST_WORDS ? words.substring(0, LONGEST_WORDS) : words;
    }

    void mark(List<History.Entry> entries, boolean undone, long revision) {
        entries.forEach(e -> rows.mark(e.id(), undone ? "undone" : "done", revision));
    }

    /** Drops the oldest entries beyond what is kept. @return the history without them */
    History bounded(long show, History history) {
        History kept = history.within(MOST_ENTRIES, MOST_OCTETS);
        int dropped = history.done().size() - kept.done().size();
        if (dropped > 0) {
            end(show, history.done().get(dropped - 1).id());
        }
        return kept;
    }

    /** The history begins behind this entry. */
    void end(long show, long entry) {
        rows.forget(show, rows.movedUpTo(show, entry));
        rows.dropUpTo(show, entry);
    }

    /** Nothing from this entry on can be done again. */
    void endUndone(long show, long entry) {
        rows.forget(show, rows.undoneAt(show));
        rows.dropUndoneFrom(show, entry);
    }

    /** What has changed since a revision; empty when that is no longer known. */
    Optional<List<Delta>> since(long show, long revision) {
        if (rows.forgotten(show) > revision) {
            return Optional.empty();
        }
        return Optional.of(rows.movedSince(show, revision, MOST_ENTRIES + 1).stream()
                .map(this::delta)
                .toList());
    }

    /** What the edit that led to a revision changed; empty when it is undone or no longer known. */
    Optional<Delta> madeAs(long show, long revision) {
        return Optional.ofNullable(rows.madeAs(show, revision)).map(this::delta);
    }
}
