package app.loculus.app.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import app.loculus.app.store.KeyStore;
import app.loculus.app.store.ShowStore;
import app.loculus.app.store.disk.Disk;
import app.loculus.app.store.disk.DiskTrouble;
import app.loculus.app.store.disk.Kept;
import app.loculus.core.command.LineReader;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Delta;
import app.loculus.core.show.History;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.journal.UnreadableEntry;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.ArgumentCaptor;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class OpenShowTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());

    @Mock
    private ShowStore store;

    @Mock
    private KeyStore keys;

    @Mock
    private Disk disk;

    private final List<Set<String>> told = new ArrayList<>();
    private final Map<Long, Delta> journal = new LinkedHashMap<>();
    private OpenShow open;

    @BeforeEach
    void openAnEmptyShow() {
        lenient().when(disk.commit(any())).thenAnswer(call -> ((Supplier<?>) call.getArgument(0)).get());
        lenient()
                .when(store.keep(anyLong(), any(), anyLong(), anyString(), anyString(), any()))
                .thenAnswer(call -> {
                    long id = journal.size() + 1;
                    journal.put(id, call.getArgument(5));
                    return new History.Entry(id, call.getArgument(3), call.getArgument(4), 10, 0);
                });
        lenient()
                .when(store.keepOn(anyLong(), any(), anyLong(), anyString(), any(), any(), any()))
                .thenAnswer(call -> {
                    History.Entry last = call.getArgument(4);
                    journal.put(last.id(), call.getArgument(5));
                    return last;
                });
        lenient().when(store.bounded(anyLong(), any())).thenAnswer(call -> call.getArgument(1));
        lenient().when(store.delta(any())).thenAnswer(call -> journal.get(((History.Entry) call.getArgument(0)).id()));
        Keeper keeper = new Keeper(store, keys, disk, Kept.nowhere());
        open = new OpenShow(
                keeper,
                new Snapshot(1, Show.empty("Test"), 0, History.NONE),
                (s, delta) -> told.add(delta.kinds().stream().map(k -> k.name()).collect(Collectors.toSet())));
    }

    private static ShowEdit lines(String... lines) {
        return LINES.readAll(List.of(lines));
    }

    private Edited edit(EditRequest request, String... lines) {
        return open.edit(lines(lines), request);
    }

    private static EditRequest on(long revision) {
        return EditRequest.NOW.on(revision);
    }

    private void verifyKept(int edits) {
        verify(store, times(edits)).keep(anyLong(), any(), anyLong(), anyString(), anyString(), any());
    }

    @Test
    void an_edit_is_kept_before_anybody_is_told() {
        edit(EditRequest.NOW, "add 1 thru 3 as \"House Dimmer\"");
        verifyKept(1);
        assertThat(open.snapshot().revision()).isEqualTo(1);
        assertThat(told).containsExactly(Set.of("profiles", "fixtures"));
    }

    @Test
    void a_preview_keeps_nothing() {
        Edited edited =
                edit(new EditRequest(true, "", Optional.empty(), Optional.empty()), "add 1 as \"House Dimmer\"");
        assertThat(edited.outcome().show().patch().size()).isEqualTo(1);
        assertThat(open.snapshot().show()).isEqualTo(Show.empty("Test"));
        verify(store, never()).keep(anyLong(), any(), anyLong(), anyString(), anyString(), any());
    }

    @Test
    void what_could_not_be_stored_has_not_happened() {
        doThrow(new IllegalStateException("disk full")).when(disk).commit(any());
        assertThatThrownBy(() -> edit(EditRequest.NOW, "add 1 as \"House Dimmer\""))
                .hasMessage("disk full");
        assertThat(open.snapshot().revision()).isZero();
        assertThat(told).isEmpty();
    }

    @Test
    void the_same_key_twice_changes_nothing_more() {
        EditRequest once =
                new EditRequest(false, "", Optional.empty(), Optional.of(new EditRequest.Key("k1", "content")));
        edit(once, "add 1 as \"House Dimmer\"");
        ArgumentCaptor<KeyStore.Kept> kept = ArgumentCaptor.forClass(KeyStore.Kept.class);
        verify(keys).put(eq(1L), eq("k1"), kept.capture());
        when(keys.find(1, "k1")).thenReturn(Optional.of(kept.getValue()));
        Edited again = edit(once, "add 1 as \"House Dimmer\"");
        assertThat(again.repeated()).isTrue();
        assertThat(again.outcome().words()).isNotEmpty();
        assertThat(again.revision()).isEqualTo(1);
        verifyKept(1);
        EditRequest other =
                new EditRequest(false, "", Optional.empty(), Optional.of(new EditRequest.Key("k1", "something else")));
        assertThatThrownBy(() -> edit(other, "add 2 as \"House Dimmer\""))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("used for another request");
    }

    @Test
    void an_edit_on_an_old_revision_stands_unless_it_meets_what_changed() {
        edit(EditRequest.NOW, "add 1 thru 3 as \"House Dimmer\"");
        edit(EditRequest.NOW, "name 1 \"Left\"");
        assertThat(edit(on(1), "name 2 \"Right\"").outcome().refused()).isFalse();
        Edited met = edit(on(1), "name 1 \"Other\"");
        assertThat(met.outcome().refused()).isTrue();
        assertThat(met.outcome().problems().get(0).words()).contains("made on revision 1");
        assertThat(open.snapshot().show().patch().number(1).name()).isEqualTo("Left");
    }

    @Test
    void undo_takes_a_gesture_back_whole() {
        edit(EditRequest.NOW, "add 1 as \"House Dimmer\"", "1");
        for (int level = 10; level < 60; level += 10) {
            edit(new EditRequest(false, "drag", Optional.empty(), Optional.empty()), "at " + level);
        }
        assertThat(open.snapshot().history().done())
                .as("a gesture is one entry")
                .hasSize(2);
        assertThat(open.undo(1, EditRequest.NOW).outcome().words()).hasSize(1);
        assertThat(open.snapshot().show().programmer().values()).isEmpty();
        open.redo(1, EditRequest.NOW);
        assertThat(open.snapshot().show().programmer().values()).hasSize(1);
        assertThat(open.undo(9, EditRequest.NOW).outcome().words())
                .hasSize(3)
                .startsWith("Undoes all 2 steps there are");
        assertThat(open.snapshot().show()).isEqualTo(Show.empty("Test"));
    }

    @Test
    void nobody_sees_what_is_not_on_the_disk() {
        doThrow(new DiskTrouble("not synced")).when(disk).sync(anyLong());
        assertThatThrownBy(() -> edit(EditRequest.NOW, "add 1 as \"House Dimmer\""))
                .isInstanceOf(DiskTrouble.class);
        assertThat(open.snapshot().revision()).isZero();
        assertThat(told).isEmpty();
    }

    @Test
    void what_an_edit_went_by_must_be_as_it_was() {
        edit(EditRequest.NOW, "add 1 thru 3 as \"House Dimmer\"", "1");
        edit(EditRequest.NOW, "2");
        Edited stale = edit(on(1), "at 50");
        assertThat(stale.outcome().problems().get(0).words()).contains("since then the selection changed");
        assertThat(edit(on(9), "at 50").outcome().problems().get(0).words()).contains("does not exist yet");
        assertThat(edit(on(2), "at 50").outcome().refused()).isFalse();
        assertThat(open.undo(1, on(1)).outcome().refused()).isTrue();
    }

    @Test
    void what_memory_no_longer_knows_is_asked_of_the_journal() {
        Snapshot late = new Snapshot(1, open.snapshot().show(), 40, History.NONE);
        OpenShow reopened = new OpenShow(new Keeper(store, keys, disk, Kept.nowhere()), late, (s, p) -> {});
        when(store.since(1, 30)).thenReturn(Optional.of(List.of()));
        when(store.since(1, 2)).thenReturn(Optional.empty());
        ShowEdit add = lines("add 1 as \"House Dimmer\"");
        assertThat(reopened.edit(add, on(2)).outcome().problems().get(0).words())
                .contains("no longer known");
        assertThat(reopened.edit(add, on(30)).outcome().refused()).isFalse();
    }

    @Test
    void an_entry_that_cannot_be_read_ends_the_history_in_words() {
        edit(EditRequest.NOW, "add 1 as \"House Dimmer\"");
        edit(EditRequest.NOW, "add 2 as \"House Dimmer\"");
        doThrow(new UnreadableEntry("it is damaged")).when(store).delta(any());
        Edited undone = open.undo(1, EditRequest.NOW);
        assertThat(undone.outcome().words().get(0)).contains("The history ends here");
        assertThat(open.snapshot().history().done()).isEmpty();
        assertThat(open.snapshot().show().patch().size()).isEqualTo(2);
    }
}
