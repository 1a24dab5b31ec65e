package app.loculus.core.profile;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.profile.words.Stop;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StopTest {

    /** Attribute, home in DMX, physical values of both ends, a word, and what it means. */
    @ParameterizedTest
    @CsvSource({
        "Iris, 0, 1, 0, open, 1",
        "Iris, 0, 0, 1, open, 0",
        "Iris, 255, 0, 1, open, 1",
        "Iris, 128, 0, 1, open, 1",
        "Iris, 128, 1, 0, closed, 0",
        "Frost1, 0, 0, 1, full, 1",
        "Frost1, 255, 1, 0, out, 0",
        "Zoom, 128, 8, 56, narrow, 8",
        "Zoom, 128, 56, 8, narrow, 8",
        "Zoom, 0, 56, 8, Wide, 56",
        "Zoom, 0, 8, 56, middle, 32",
        "Focus1, 128, 0, 1, far, 1",
    })
    void a_word_means_the_same_whichever_way_the_channel_runs(
            String attribute, long home, double from, double to, String word, double physical) {
        Mode mode =
                Rig.mode("one", 0, Rig.channel(attribute, 0, home, Rig.function(attribute, 0, 255, from, to, null)));
        Parameter parameter = mode.parameter(0, new Attribute(attribute)).orElseThrow();
        assertThat(Stop.called(word, mode, parameter).orElseThrow().physical()).isEqualTo(physical);
        assertThat(Stop.called("elsewhere", mode, parameter)).isEmpty();
    }
}
