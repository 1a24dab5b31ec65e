package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DeltaTest {

    @Test
    void an_edit_that_changes_nothing_has_an_empty_delta() {
        Show show = Rig.after(Rig.everyKind(), "11 at 50");
        assertThat(Rig.say(show, "11 at 50").delta().isEmpty()).isTrue();
        assertThat(Rig.say(show, "name 1 \"Dimmer 1\"").delta().isEmpty()).isTrue();
    }

    @Test
    void each_part_changes_once_however_often_a_line_touches_it() {
        Outcome outcome = Rig.say(Rig.everyKind(), "11 at 10 at 20 at 30");
        assertThat(outcome.delta().changes()).hasSize(2);
        assertThat(outcome.show()).isEqualTo(Rig.everyKind().with(outcome.delta()));
    }

    @Test
    void kinds_name_what_has_to_be_looked_at_again() {
        assertThat(Rig.say(Rig.everyKind(), "patch 99 as \"Par / rgb\" at 7.1")
                        .delta()
                        .kinds())
                .containsExactly(PartKinds.FIXTURES);
        assertThat(Rig.say(Rig.everyKind(), "11 at 50").delta().kinds())
                .containsExactly(PartKinds.HAND, PartKinds.VALUES);
        assertThat(Rig.say(Show.empty("x"), "add 1 as \"Par / rgb\"").delta().kinds())
                .containsExactly(PartKinds.PROFILES, PartKinds.FIXTURES);
    }

    @Test
    void deltas_meet_where_they_change_the_same_part() {
        Delta one = Rig.say(Rig.everyKind(), "name 1 \"A\"").delta();
        Delta same = Rig.say(Rig.everyKind(), "unpatch 1").delta();
        Delta other = Rig.say(Rig.everyKind(), "unpatch 11").delta();
        assertThat(one.parts()).containsExactlyElementsOf(same.parts());
        assertThat(one.parts()).doesNotContainAnyElementsOf(other.parts());
    }

    @ParameterizedTest
    @ValueSource(longs = {41, 42, 43, 44})
    void edits_joined_into_one_come_to_the_same_show(long seed) {
        RandomLines lines = new RandomLines(seed);
        Show show = Rig.everyKind();
        List<ShowEdit> edits = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            Show before = show;
            show = lines.step(show);
            String said = lines.said().get(i);
            if (!said.startsWith("(refused)") && before != show) {
                edits.add(draft -> ((app.loculus.core.command.Command.Edit)
                                new app.loculus.core.command.LineReader(Rig.ALL).read(said))
                        .edit()
                        .on(draft));
            }
        }
        ShowEdit joined = draft -> edits.forEach(e -> e.on(draft));
        Outcome once = joined.apply(Rig.everyKind());
        assertThat(once.show()).as("%s", lines.said()).isEqualTo(show);
        assertThat(once.show().with(once.delta().reversed())).isEqualTo(Rig.everyKind());
    }
}
