package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.look.LookFinder;
import app.loculus.core.edit.look.LookLight;
import app.loculus.core.look.Cue;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a look is told to look like is what it looks like when it is played and nothing else is. */
class ArrivedTest {

    /** Later than all fades. */
    private static final double LATE = 500;

    private static Show recorded() {
        return Rig.of(
                Rig.WASH,
                "1 thru 4 at 40",
                "1 + 2 colour xy 0.25, 0.39",
                "record cue 1 \"Low\" in 4",
                "clear all",
                "3 + 4 at 90",
                "3 pan at 40",
                "record cue 2 \"High\" in 3 rest 7",
                "clear all",
                "1 at 10",
                "record cue 3 \"Side\"",
                "record look 5 \"Kept\"",
                "record submaster 2 \"Under\"",
                "clear all",
                "4 at 100",
                "4 tilt at 30");
    }

    private static Frames rendered(Scene scene) {
        return new FrameRenderer().render(scene);
    }

    private static Cue cue(Show show, int index) {
        return show.cues(show.lists().get(0).id()).get(index);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void a_cue_is_as_it_is_when_the_list_was_sent_there_whatever_is_in_hand(int number) {
        Show show = recorded();
        Stage stage = new Stage(Rig.after(show, "clear all")).press(0, "jump to cue " + number);
        assertThat(rendered(LookLight.of(show, cue(show, number - 1)))).isEqualTo(stage.frames(LATE));
        Stage gone = new Stage(Rig.after(show, "clear all"));
        for (int i = 0; i < number; i++) {
            gone.press(20.0 * i, "go");
        }
        assertThat(rendered(LookLight.of(show, cue(show, number - 1))))
                .as("one cue after the other")
                .isEqualTo(gone.frames(LATE));
    }

    @Test
    void cues_of_a_chase_stand_too_and_those_of_a_list_that_does_not_carry_on_stand_alone() {
        Show show = recorded();
        Frames third = rendered(LookLight.of(show, cue(show, 2)));
        Show chase = Rig.after(show, "list 1 as chase");
        assertThat(rendered(LookLight.of(chase, cue(chase, 2)))).isEqualTo(third);
        Show alone = Rig.after(show, "list 1 standing alone");
        assertThat(rendered(LookLight.of(alone, cue(alone, 2)))).isNotEqualTo(third);
        assertThat(rendered(LookLight.of(alone, cue(alone, 2))))
                .as("the look of the cue by itself")
                .isEqualTo(rendered(LookLight.of(alone, LookFinder.look(alone, 5))));
    }

    @Test
    void a_submaster_is_as_it_is_full_up() {
        Show show = recorded();
        Stage stage = new Stage(Rig.after(show, "clear all")).press(0, "submaster 2 at 100");
        assertThat(rendered(LookLight.of(show, LookFinder.submaster(show, 2)))).isEqualTo(stage.frames(1));
        assertThat(stage.percent(1, 5)).isEqualTo(10);
    }

    @Test
    void looking_at_one_changes_nothing() {
        Show show = recorded();
        Frames before = rendered(show.scene());
        LookLight.of(show, cue(show, 1));
        assertThat(rendered(show.scene())).isEqualTo(before);
    }
}
