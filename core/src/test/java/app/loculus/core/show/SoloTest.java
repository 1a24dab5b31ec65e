package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.edit.hand.Solo;
import app.loculus.core.resolve.Layer;
import java.util.List;
import org.junit.jupiter.api.Test;

class SoloTest {

    private static final Show SHOW = Rig.show(
            "patch 1 + 2 as \"Dimmer / 1-slot\" at 1.1",
            "patch 11 as \"Wash / extended\" at 1.11",
            "all at full",
            "11 zoom at 50");

    private static Frames frames(int number, Solo.Look look, double percent) {
        List<Layer> layers =
                Solo.layers(SHOW, List.of(SHOW.patch().number(number).id()), look, percent, "page", 1);
        return new FrameRenderer().render(SHOW.scene().under(layers));
    }

    private static int slot(Frames frames, int slot) {
        return frames.slots(1)[slot - 1] & 0xFF;
    }

    @Test
    void one_fixture_gives_light_and_every_other_stays_at_home() {
        Frames frames = frames(2, Solo.Look.OPEN, 60);
        assertThat(slot(frames, 1)).isZero();
        assertThat(slot(frames, 2)).isEqualTo(153);
        assertThat(slot(frames, 15)).isZero();
    }

    @Test
    void a_colour_and_a_highlight_can_be_asked_for() {
        Frames red = frames(11, Solo.Look.RED, 100);
        assertThat(slot(red, 15)).isEqualTo(255);
        assertThat(slot(red, 17)).isGreaterThan(slot(red, 18)).isGreaterThan(slot(red, 19));
        assertThat(slot(frames(1, Solo.Look.HIGHLIGHT, 10), 1)).isGreaterThanOrEqualTo(26);
        assertThat(Solo.Look.of("nonsense")).isEqualTo(Solo.Look.OPEN);
    }
}
