package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class HistoryTest {

    private static History.Entry entry(long id, String gesture) {
        return new History.Entry(id, "edit " + id, gesture, 100, 0);
    }

    private static List<Long> ids(List<History.Entry> entries) {
        return entries.stream().map(History.Entry::id).toList();
    }

    @Test
    void one_gesture_is_undone_and_redone_as_one() {
        History history = History.NONE.made(entry(1, "")).made(entry(2, "drag")).made(entry(3, "drag"));
        assertThat(ids(history.toUndo())).containsExactly(3L, 2L);
        History back = history.undone(2);
        assertThat(ids(back.done())).containsExactly(1L);
        assertThat(ids(back.toRedo())).containsExactly(2L, 3L);
        assertThat(back.redone(2)).isEqualTo(history);
    }

    @Test
    void a_new_edit_ends_what_could_be_redone() {
        History history = History.NONE.made(entry(1, "")).undone(1).made(entry(2, ""));
        assertThat(history.nextUndone()).isEmpty();
        assertThat(history.lastDone()).map(History.Entry::id).contains(2L);
    }

    @Test
    void edits_without_a_gesture_stand_alone() {
        assertThat(ids(History.NONE.made(entry(1, "")).made(entry(2, "")).toUndo()))
                .containsExactly(2L);
    }

    @Test
    void only_the_newest_are_kept_by_number_and_by_octets_and_the_last_one_always() {
        History history = History.NONE;
        for (int i = 1; i <= 10; i++) {
            history = history.made(entry(i, ""));
        }
        assertThat(ids(history.within(3, 10_000).done())).containsExactly(8L, 9L, 10L);
        assertThat(ids(history.within(100, 450).done())).containsExactly(7L, 8L, 9L, 10L);
        assertThat(ids(history.within(100, 10).done())).containsExactly(10L);
        assertThat(history.within(100, 10_000)).isEqualTo(history);
    }

    @Test
    void what_cannot_be_read_ends_the_history() {
        History history = History.NONE
                .made(entry(1, ""))
                .made(entry(2, ""))
                .made(entry(3, ""))
                .undone(1);
        assertThat(ids(history.endingAt(entry(1, "")).done())).containsExactly(2L);
        assertThat(history.endingAt(entry(3, "")).undone()).isEmpty();
        assertThat(history.endingAt(entry(3, "")).done()).hasSize(2);
    }
}
