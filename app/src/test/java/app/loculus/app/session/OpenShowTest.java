package app.loculus.app.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import app.loculus.app.store.ShowStore;
import app.loculus.core.command.LineReader;
import app.loculus.core.show.History;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class OpenShowTest {

    private static final LineReader LINES = new LineReader(ShippedProfiles.read());

    @Mock
    private ShowStore store;

    private final List<Set<String>> told = new ArrayList<>();
    private OpenShow open;

    @BeforeEach
    void openAnEmptyShow() {
        open = new OpenShow(store, new Snapshot(1, Show.empty("Test"), 0, History.NONE), (s, areas) -> told.add(areas));
    }

    private static ShowEdit lines(String... lines) {
        return LINES.readAll(List.of(lines));
    }

    private Edited edit(EditRequest request, String... lines) {
        return open.edit(lines(lines), request);
    }

    private static EditRequest on(long revision) {
        return new EditRequest(false, "", Optional.of(revision), "");
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
        Edited edited = edit(new EditRequest(true, "", Optional.empty(), ""), "add 1 as \"House Dimmer\"");
        assertThat(edited.outcome().show().patch().size()).isEqualTo(1);
        assertThat(open.snapshot().show()).isEqualTo(Show.empty("Test"));
        verify(store, never()).keep(anyLong(), any(), anyLong(), anyString(), anyString(), any());
    }

    @Test
    void what_could_not_be_stored_has_not_happened() {
        doThrow(new IllegalStateException("disk full"))
                .when(store)
                .keep(anyLong(), any(), anyLong(), anyString(), anyString(), any());
        assertThatThrownBy(() -> edit(EditRequest.NOW, "add 1 as \"House Dimmer\""))
                .hasMessage("disk full");
        assertThat(open.snapshot().revision()).isZero();
        assertThat(told).isEmpty();
    }

    @Test
    void the_same_key_twice_changes_nothing_more() {
        EditRequest once = new EditRequest(false, "", Optional.empty(), "k1");
        edit(once, "add 1 as \"House Dimmer\"");
        Edited again = edit(once, "add 1 as \"House Dimmer\"");
        assertThat(again.outcome().refused()).isFalse();
        verifyKept(1);
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
            edit(new EditRequest(false, "drag", Optional.empty(), ""), "at " + level);
        }
        assertThat(open.undo(1)).hasSize(1);
        assertThat(open.snapshot().show().programmer().values()).isEmpty();
        open.redo(1);
        assertThat(open.snapshot().show().programmer().values()).hasSize(1);
        assertThat(open.undo(9)).hasSize(2);
        assertThat(open.snapshot().show()).isEqualTo(Show.empty("Test"));
    }
}
