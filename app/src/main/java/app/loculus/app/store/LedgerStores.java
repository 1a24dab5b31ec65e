package app.loculus.app.store;

import app.loculus.core.device.KnownDevice;
import app.loculus.core.device.Uid;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.show.Change;
import app.loculus.core.show.PartKind;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.core.show.Whole;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What people said about the state of the work what came in drawings and which device is which, in one table: nobody looks for a part of it. */
@Configuration(proxyBeanMethods = false)
class LedgerStores {

    /** @param partKey as the journal writes it; @param part as JSON */
    record LedgerRow(long showId, String kind, String partKey, String part) {}

    interface Rows {
        @Select("select * from ledger where show_id = #{show} and kind = #{kind} order by part_key")
        List<LedgerRow> of(@Param("show") long show, @Param("kind") String kind);

        @Delete("delete from ledger where show_id = #{show} and kind = #{kind} and part_key = #{key}")
        void delete(@Param("show") long show, @Param("kind") String kind, @Param("key") String key);

        @Lang(RowColumns.class)
        @Insert("merge into ledger ({columns}) key (show_id, kind, part_key) values ({values})")
        void put(LedgerRow row);
    }

    @Bean
    PartStore<FindingKey, Aside> asideStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.ASIDES, mappers.of(Rows.class), format);
    }

    @Bean
    PartStore<ChapterName, Signature> signatureStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.SIGNATURES, mappers.of(Rows.class), format);
    }

    @Bean
    PartStore<Whole, Paperwork> paperworkStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.PAPERWORK, mappers.of(Rows.class), format);
    }

    @Bean
    PartStore<Integer, KeptDrawing> drawingStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.DRAWINGS, mappers.of(Rows.class), format);
    }

    @Bean
    PartStore<Uid, KnownDevice> deviceStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.DEVICES, mappers.of(Rows.class), format);
    }

    @Bean
    PartStore<Whole, String> identityStore(Mappers mappers, JournalFormat format) {
        return new LedgerStore<>(PartKinds.IDENTITY, mappers.of(Rows.class), format);
    }

    /** Parts of one kind, each as JSON. */
    private record LedgerStore<K, V>(PartKind<K, V> kind, Rows rows, JournalFormat format) implements PartStore<K, V> {

        @Override
        public List<Change<K, V>> read(long show, Losses losses) {
            List<Change<K, V>> all = new ArrayList<>();
            for (LedgerRow row : rows.of(show, kind.name())) {
                losses.attempt(
                                kind,
                                () -> new Change<>(
                                        kind,
                                        kind.keys().read().apply(row.partKey()),
                                        Optional.empty(),
                                        Optional.of(format.readPart(kind, row.part()))))
                        .ifPresent(all::add);
            }
            return all;
        }

        @Override
        public void write(long show, Show after, List<Change<K, V>> changes) {
            for (Change<K, V> c : changes) {
                String key = kind.keys().text().apply(c.key());
                c.after()
                        .ifPresentOrElse(
                                part -> rows.put(new LedgerRow(show, kind.name(), key, format.writePart(kind, part))),
                                () -> rows.delete(show, kind.name(), key));
            }
        }
    }
}
