package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds after any sequence of edits. */
class EditLawsTest {

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void undo_of_any_sequence_restores_equality_and_redo_leads_back(long seed) {
        RandomLines lines = new RandomLines(seed);
        List<Show> shows = new ArrayList<>(List.of(Rig.everyKind()));
        Show now = shows.get(0);
        for (int i = 0; i < 120; i++) {
            now = lines.step(now);
        }
        Show end = now;
        List<Outcome> made = lines.outcomes();
        for (int i = made.size() - 1; i >= 0; i--) {
            now = now.with(made.get(i).delta().reversed());
        }
        assertThat(now).as("%s", lines.said()).isEqualTo(Rig.everyKind());
        for (Outcome outcome : made) {
            now = now.with(outcome.delta());
        }
        assertThat(now).isEqualTo(end);
        assertThat(made).hasSizeGreaterThan(20);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28})
    void the_patch_never_overlaps_unless_shared(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show now = Rig.everyKind();
        for (int i = 0; i < 80; i++) {
            now = lines.step(now);
            assertThat(RandomLines.onlySharedOverlaps(now))
                    .as("%s", lines.said())
                    .isTrue();
            assertThat(now.patch().claims().values().stream().flatMap(List::stream))
                    .allMatch(c -> c.last() <= 512);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33})
    void a_refusal_leaves_the_show_as_it_was(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show now = Rig.everyKind();
        for (int i = 0; i < 60; i++) {
            Show next = lines.step(now);
            String said = lines.said().get(i);
            assertThat(said.startsWith("(refused)") && next != now).as(said).isFalse();
            now = next;
        }
    }
}
