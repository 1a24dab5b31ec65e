package app.loculus.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RandomEdits;
import app.loculus.app.config.Settings;
import app.loculus.app.store.disk.Disk;
import app.loculus.core.show.Change;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.Show;
import app.loculus.formats.journal.JournalFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.context.PropertyPlaceholderAutoConfiguration;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ComponentScan;

/** What is stored is what is loaded, after any edits and any undo. */
@SpringBootTest(
        classes = ShowStoreTest.OnlyTheStore.class,
        webEnvironment = SpringBootTest.WebEnvironment.NONE,
        properties = {"spring.datasource.url=jdbc:h2:mem:store", "loculus.data=unused"})
class ShowStoreTest {

    @ImportAutoConfiguration(PropertyPlaceholderAutoConfiguration.class)
    @EnableConfigurationProperties(Settings.class)
    @ComponentScan("app.loculus.app.store")
    static class OnlyTheStore {
        @Bean
        app.loculus.core.profile.Profiles shipped() {
            return app.loculus.formats.gdtf.ShippedProfiles.all();
        }

        @Bean
        java.time.Clock clock() {
            return java.time.Clock.systemUTC();
        }

        @Bean
        JournalFormat format(ObjectProvider<ProfileStore> profiles) {
            return new JournalFormat(id -> profiles.getObject().get(id));
        }
    }

    @Autowired
    private Disk disk;

    @Autowired
    private List<PartStore<?, ?>> stores;

    @Autowired
    private ShowStore store;

    private long id;

    @BeforeEach
    void createAShow() {
        id = disk.write(() -> store.create(Show.empty("Laws"), false));
    }

    private Show loaded() {
        return store.load(id).orElseThrow().show();
    }

    private History.Entry keep(Outcome outcome, long revision) {
        return disk.write(
                () -> store.keep(id, outcome.show(), revision, outcome.words().get(0), "", outcome.delta()));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void after_every_edit_the_stored_show_equals_the_one_in_memory(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Show show = Show.empty("Laws");
        for (int i = 1; i <= 60; i++) {
            Outcome outcome = edits.next(show);
            keep(outcome, i);
            show = outcome.show();
            assertThat(loaded()).as("after “%s”", edits.said()).isEqualTo(show);
        }
        assertThat(store.load(id).orElseThrow().revision()).isEqualTo(60);
    }

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void the_journal_gives_back_every_delta_and_undoes_to_the_beginning(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Show show = Show.empty("Laws");
        List<Delta> made = new ArrayList<>();
        for (int i = 1; i <= 40; i++) {
            Outcome outcome = edits.next(show);
            keep(outcome, i);
            made.add(outcome.delta());
            show = outcome.show();
        }
        History history = store.load(id).orElseThrow().history();
        assertThat(history.done().stream().map(store::delta).map(ShowStoreTest::changes))
                .isEqualTo(made.stream().map(ShowStoreTest::changes).toList());
        for (int i = 40; i > 0; i--) {
            History.Entry entry = history.done().get(i - 1);
            Delta back = store.delta(entry).reversed();
            Show before = show.with(back);
            long revision = 100 - i;
            disk.write(() -> store.keepMoved(id, before, revision, List.of(entry), true, back));
            show = before;
        }
        assertThat(loaded()).isEqualTo(Show.empty("Laws"));
        History undone = store.load(id).orElseThrow().history();
        assertThat(undone.done()).isEmpty();
        assertThat(changes(store.delta(undone.toRedo().get(0)))).isEqualTo(changes(made.get(0)));
    }

    @ParameterizedTest
    @ValueSource(longs = {21})
    void a_new_edit_drops_what_could_be_redone(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Outcome first = edits.next(Show.empty("Laws"));
        History.Entry entry = keep(first, 1);
        disk.write(() -> store.keepMoved(
                id, Show.empty("Laws"), 2, List.of(entry), true, first.delta().reversed()));
        disk.write(() -> store.dropUndone(id));
        keep(edits.next(Show.empty("Laws")), 3);
        assertThat(store.load(id).orElseThrow().history().nextUndone()).isEmpty();
    }

    /** Parts change once each, so their order does not matter. */
    private static Set<Change<?, ?>> changes(Delta delta) {
        return Set.copyOf(delta.changes());
    }

    @Test
    void every_kind_of_part_has_one_store() {
        assertThat(stores).extracting(s -> (Object) s.kind()).containsExactlyInAnyOrderElementsOf(PartKinds.ALL);
    }

    @Test
    void what_changed_since_a_revision_is_known_until_it_is_dropped() {
        RandomEdits edits = new RandomEdits(31);
        Show show = Show.empty("Laws");
        List<History.Entry> entries = new ArrayList<>();
        for (int i = 1; i <= 6; i++) {
            Outcome outcome = edits.next(show);
            entries.add(keep(outcome, i));
            show = outcome.show();
        }
        assertThat(store.since(id, 4).orElseThrow()).hasSize(2);
        disk.write(() -> store.endHistory(id, entries.get(2), true));
        assertThat(store.since(id, 3).orElseThrow()).hasSize(3);
        assertThat(store.since(id, 2)).isEmpty();
    }
}
