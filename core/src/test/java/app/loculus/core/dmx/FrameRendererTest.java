package app.loculus.core.dmx;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.RandomLines;
import app.loculus.core.Rig;
import app.loculus.core.show.Show;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FrameRendererTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void an_incremental_frame_equals_one_from_scratch(long seed) {
        RandomLines lines = new RandomLines(seed);
        FrameRenderer incremental = new FrameRenderer();
        Show show = Rig.everyKind();
        for (int i = 0; i < 60; i++) {
            show = lines.step(show);
            Frames quick = incremental.update(show.scene());
            assertThat(quick).as("after %s", lines.said()).isEqualTo(new FrameRenderer().render(show.scene()));
        }
    }

    @Test
    void a_universe_that_nothing_hangs_on_any_more_goes_out_of_use() {
        FrameRenderer renderer = new FrameRenderer();
        Show show = Rig.show("patch 1 as \"Dimmer / 1-slot\" at 7.1");
        assertThat(renderer.update(show.scene()).universes()).containsExactly(7);
        assertThat(renderer.update(Rig.after(show, "unpatch 1").scene()).universes())
                .isEmpty();
    }
}
