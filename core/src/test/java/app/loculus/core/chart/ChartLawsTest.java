package app.loculus.core.chart;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.problem.Problem;
import app.loculus.core.profile.Channel;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.check.ProfileCheck;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is pasted is understood somehow, and what is built of it holds together. */
class ChartLawsTest {

    private static final String[] LINES = {
        "Dimmer",
        "Pan 16 540 deg",
        "Tilt 16",
        "1 Red",
        "2-3 Green",
        "Blue 24",
        "White",
        "Zoom 8-40 deg home 10",
        "Colour wheel: open, Rose #e06080, Sea #2080c0",
        "Gobo: 0-9 open, 10-19 Ripple, 20-255 Slats",
        "Shutter: 0-15 closed, 16-31 open, 32-255 strobe",
        "fine",
        "Quux",
        "",
        "// remark",
        "Mode two",
        "Mode two",
        "3 x:",
        "end",
        "Control: 0-255 nothing",
        "Iris inverted highlight 300",
        "999 Frost",
        "Pan fine",
        "a:b:c",
        "::::",
        "#ff00",
        "7",
        "–",
        "4 cells",
        "Strobe home 999"
    };

    private static String chart(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 3 + random.nextInt(20); i++) {
            text.append(LINES[random.nextInt(LINES.length)]).append('\n');
        }
        return text.toString();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void every_chart_is_read_and_what_is_built_has_each_slot_once(long seed) {
        Random random = new Random(seed);
        for (int round = 0; round < 30; round++) {
            String text = chart(random);
            ChartReader.Chart chart = ChartReader.read(text);
            List<DraftMode> modes = IntStream.range(0, chart.modes().size())
                    .mapToObj(i -> renamed(chart.modes().get(i), i))
                    .toList();
            if (modes.isEmpty()) {
                continue;
            }
            Profile profile = DraftBuilder.build(new ProfileDraft("Halden", "Any", 0, 0, 0, 0, modes));
            List<Problem> problems = ProfileCheck.of(profile);
            assertThat(problems)
                    .as(text)
                    .noneMatch(
                            p -> p.code().equals("profile.overlap") || p.code().equals("profile.gap"));
            profile.modes().forEach(m -> assertThat(slots(m)).as(text).isEqualTo(m.slots()));
        }
    }

    private static DraftMode renamed(DraftMode mode, int index) {
        return new DraftMode(mode.name() + " " + index, mode.cells(), mode.channels());
    }

    private static int slots(Mode mode) {
        return (int) mode.channels().stream()
                .map(Channel::offsets)
                .flatMap(List::stream)
                .distinct()
                .count();
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void home_and_highlight_lie_in_the_channel(long seed) {
        Random random = new Random(seed);
        ChartReader.Chart chart = ChartReader.read(chart(random) + "Dimmer\nIris highlight 300\nStrobe home 999");
        List<DraftMode> modes = IntStream.range(0, chart.modes().size())
                .mapToObj(i -> renamed(chart.modes().get(i), i))
                .toList();
        Profile profile = DraftBuilder.build(new ProfileDraft("Halden", "Any", 0, 0, 0, 0, modes));
        profile.modes().stream().flatMap(m -> m.channels().stream()).forEach(c -> {
            assertThat(c.home()).isBetween(0L, c.resolution().max());
            c.highlight()
                    .ifPresent(h -> assertThat(h).isBetween(0L, c.resolution().max()));
            c.functions().forEach(f -> assertThat(f.to()).isGreaterThanOrEqualTo(f.from()));
        });
    }
}
