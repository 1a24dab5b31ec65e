package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.dmx.FrameRenderer;
import app.loculus.core.dmx.Frames;
import app.loculus.core.palette.Palette;
import app.loculus.core.profile.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever mix of types a palette is recorded from, applied to them it gives the same output again. */
class PaletteLawsTest {

    private static final int[] NUMBERS = {11, 12, 13, 21, 22, 31, 41, 51, 61};

    private static String some(Random random) {
        List<String> chosen = new ArrayList<>();
        for (int number : NUMBERS) {
            if (random.nextInt(3) > 0) {
                chosen.add(String.valueOf(number));
            }
        }
        return chosen.isEmpty() ? "11" : String.join(" + ", chosen);
    }

    /** A whole colour: mix, wheel and what else makes it. */
    private static String asked(Random random) {
        return random.nextBoolean()
                ? "colour xy " + (0.2 + 0.4 * random.nextDouble()) + ", " + (0.2 + 0.3 * random.nextDouble())
                : "white at " + (2000 + random.nextInt(6000)) + " k";
    }

    private static String colour(Random random) {
        return switch (random.nextInt(6)) {
            case 0 -> asked(random);
            case 1 -> "red at " + random.nextInt(101);
            case 2 -> "ColorAdd_G at " + random.nextInt(101) + " thru " + random.nextInt(101);
            case 3 -> "ColorSub_M at " + random.nextInt(101);
            case 4 -> "Color1 at \"" + (random.nextBoolean() ? "Red" : "Jade") + "\"";
            default -> asked(random);
        };
    }

    private static Show coloured(Show show, Random random, int lines, Function<Random, String> colour) {
        Show now = show;
        for (int i = 0; i < lines; i++) {
            Outcome outcome = Rig.say(now, some(random) + " " + colour.apply(random));
            now = outcome.refused() ? now : outcome.show();
        }
        return now;
    }

    /** Every slot that does not stand at 0. */
    private static String frames(Show show) {
        Frames frames = new FrameRenderer().render(show.scene());
        StringBuilder text = new StringBuilder();
        for (int universe : frames.universes()) {
            byte[] slots = frames.slots(universe);
            for (int slot = 0; slot < slots.length; slot++) {
                text.append(slots[slot] == 0 ? "" : universe + "." + (slot + 1) + "=" + (slots[slot] & 0xFF) + " ");
            }
        }
        return text.toString();
    }

    private static String touched(Show show) {
        return show.programmer().values().keySet().stream().map(show::label).collect(Collectors.joining(" + "));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void applied_after_recording_it_gives_the_same_output(long seed) {
        Random random = new Random(seed);
        Show set = coloured(Rig.everyKind(), random, 1 + random.nextInt(4), PaletteLawsTest::colour);
        if (set.programmer().values().isEmpty()) {
            return;
        }
        String close = random.nextBoolean() ? " close wheel" : "";
        Show recorded = Rig.after(set, "clear", "record colour 1" + close);
        Show applied = Rig.after(recorded, "clear all", touched(recorded) + " colour 1");
        assertThat(frames(applied)).isEqualTo(frames(set));
        Show values = Rig.after(recorded, "clear all", touched(recorded) + " colour 1 as values");
        assertThat(frames(values)).isEqualTo(frames(set));
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36, 37, 38, 39, 40})
    void merged_into_another_it_still_does_and_merging_again_changes_nothing(long seed) {
        Random random = new Random(seed);
        Show first = coloured(Rig.everyKind(), random, 2, PaletteLawsTest::colour);
        Show set = coloured(
                first.programmer().values().isEmpty()
                        ? first
                        : Rig.after(first, "clear", "record colour 1", "clear all"),
                random,
                1 + random.nextInt(3),
                PaletteLawsTest::asked);
        if (set.programmer().values().isEmpty() || set.palettes().isEmpty()) {
            return;
        }
        Show merged = Rig.after(set, "clear", "record colour 1 merge");
        Show applied = Rig.after(merged, "clear all", touched(merged) + " colour 1");
        assertThat(frames(applied)).isEqualTo(frames(set));
        Palette once = merged.palette(Kind.COLOUR, 1).orElseThrow();
        Show twice = Rig.after(merged, "record colour 1 merge");
        assertThat(twice.palette(Kind.COLOUR, 1)).contains(once);
    }

    @ParameterizedTest
    @ValueSource(longs = {51, 52, 53, 54})
    void taken_out_after_merging_per_fixture_it_is_as_before(long seed) {
        Show before = Rig.after(Rig.everyKind(), "11 + 12 colour xy 0.25, 0.39", "record colour 1 global", "clear all");
        Show set = Rig.after(before, "21 + 31 + 41 " + colour(new Random(seed * 6)));
        if (set.programmer().values().isEmpty()) {
            return;
        }
        Show merged = Rig.after(set, "record colour 1 per fixture merge keep colour");
        Show out = Rig.after(merged, "take out " + touched(merged) + " from colour 1");
        assertThat(out.palettes()).isEqualTo(before.palettes());
    }
}
