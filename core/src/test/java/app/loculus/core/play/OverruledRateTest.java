package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.loculus.core.Rig;
import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Another rate set by hand goes on from where the effect is. */
class OverruledRateTest {

    private static final Show SHOW = Rig.of(
            Rig.DIMMER, "1 thru 4 sine of dimmer at 0 thru 100 offset round rate 20", "record effect 1 \"Swell\"");

    private static Playing at(Show show, long micros) {
        return Playing.NOTHING.on(show.repertoire(), 0).at(micros, show.repertoire());
    }

    private static int[] slots(Show show, long micros) {
        byte[] all = new FrameRenderer()
                .render(show.scene().played(at(show, micros).layer(micros), false, 1))
                .slots(1);
        return new int[] {all[0] & 0xFF, all[1] & 0xFF, all[2] & 0xFF, all[3] & 0xFF};
    }

    private static Show said(Show show, long micros, String line) {
        ShowEdit edit = ((Command.Edit) new LineReader(Rig.ALL).read(line)).edit();
        Outcome outcome = edit.within(
                        () -> new ShowEdit.Around(List.of(at(show, micros).layer(micros)), List.of()))
                .apply(show);
        assertThat(outcome.refused()).as(line + outcome.problems()).isFalse();
        return outcome.show();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void nothing_jumps_however_often_it_is_set_again(int seed) {
        Random random = new Random(seed);
        Show show = said(SHOW, 0, "1 thru 4 effect 1 rate " + (1 + random.nextInt(60)));
        long micros = 0;
        for (int i = 0; i < 30; i++) {
            micros += 1000L * random.nextInt(5000);
            Show next = said(show, micros, "1 thru 4 effect 1 rate " + (1 + random.nextInt(60)));
            int[] before = slots(show, micros);
            int[] after = slots(next, micros);
            for (int slot = 0; slot < 4; slot++) {
                assertThat(after[slot]).as("slot %d", slot + 1).isCloseTo(before[slot], within(1));
            }
            show = next;
        }
    }

    @Test
    void it_is_as_fast_as_was_asked_for_from_then_on() {
        Show show = said(SHOW, 0, "1 thru 4 effect 1 rate 15");
        Show faster = said(show, 1_000_000, "1 thru 4 effect 1 rate 30");
        // A quarter round by 15 a minute, then a quarter more in half a second by 30.
        assertThat(slots(faster, 1_500_000)[0]).isCloseTo(slots(show, 2_000_000)[0], within(1));
        assertThat(slots(said(faster, 1_500_000, "1 thru 4 effect 1"), 1_500_000))
                .as("without a rate of its own it goes with the effect again")
                .isEqualTo(slots(SHOW, 1_500_000));
    }

    @Test
    void what_is_recorded_begins_anew() {
        Show show = said(said(SHOW, 0, "1 thru 4 effect 1 rate 15"), 1_300_000, "1 thru 4 effect 1 rate 40");
        Show recorded = Rig.after(show, "record look 1", "clear all", "1 thru 4 effect 1 rate 40", "record look 2");
        assertThat(recorded.looks().get(0).values())
                .isEqualTo(recorded.looks().get(1).values());
    }
}
