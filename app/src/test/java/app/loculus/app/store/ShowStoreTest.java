package app.loculus.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.RandomEdits;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.autoconfigure.EnableAutoConfiguration;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Import;

/** What is stored is what is loaded, after any edits and any undo. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.NONE,
        properties = {"spring.datasource.url=jdbc:h2:mem:store", "loculus.data=unused"})
class ShowStoreTest {

    @Configuration
    @EnableAutoConfiguration
    @MapperScan("app.loculus.app.store")
    @Import({ShowStore.class, ProfileStore.class, VersionStore.class, PartReader.class, PartWriter.class})
    static class OnlyTheStore {
        @Bean
        app.loculus.core.profile.Profiles shipped() {
            return app.loculus.formats.gdtf.ShippedProfiles.read();
        }

        @Bean
        java.time.Clock clock() {
            return java.time.Clock.systemUTC();
        }
    }

    @Autowired
    private ShowStore store;

    private long id;

    @BeforeEach
    void createAShow() {
        id = store.create("Laws");
    }

    private Show loaded() {
        return store.load(id).orElseThrow().show();
    }

    private long keep(Outcome outcome, long revision) {
        return store.keep(id, outcome.show(), revision, outcome.words().get(0), "", outcome.delta());
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
        assertThat(history.done()).extracting(History.Entry::delta).isEqualTo(made);
        for (int i = 40; i > 0; i--) {
            History.Entry entry = history.done().get(i - 1);
            show = show.with(entry.delta().reversed());
            store.keepMarked(
                    id,
                    show,
                    100 - i,
                    List.of(entry.id()),
                    true,
                    List.of(entry.delta().reversed()));
        }
        assertThat(loaded()).isEqualTo(Show.empty("Laws"));
        History undone = store.load(id).orElseThrow().history();
        assertThat(undone.done()).isEmpty();
        assertThat(undone.toRedo().get(0).delta()).isEqualTo(made.get(0));
    }

    @ParameterizedTest
    @ValueSource(longs = {21})
    void a_new_edit_drops_what_could_be_redone(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Outcome first = edits.next(Show.empty("Laws"));
        long entry = keep(first, 1);
        store.keepMarked(
                id,
                Show.empty("Laws"),
                2,
                List.of(entry),
                true,
                List.of(first.delta().reversed()));
        keep(edits.next(Show.empty("Laws")), 3);
        assertThat(store.load(id).orElseThrow().history().nextUndone()).isEmpty();
    }
}
