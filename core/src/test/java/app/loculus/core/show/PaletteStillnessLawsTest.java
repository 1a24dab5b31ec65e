package app.loculus.core.show;

import static app.loculus.core.show.RecallLawsTest.differ;
import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.Shrunk;
import app.loculus.core.palette.Palette;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is done to palettes gives everybody who follows them what they gave before. */
class PaletteStillnessLawsTest {

    private static final int SEEDS = Integer.getInteger("law.seeds", 4);

    /** Colours by hand, palettes of them at all scopes, some merged into each other, some of others. */
    private static List<String> lines(long seed) {
        Random random = new Random(seed);
        List<String> hand = HandLines.of(seed, 24);
        List<String> lines = new ArrayList<>();
        for (String line : hand) {
            lines.add(line);
            if (random.nextInt(3) == 0) {
                String scope =
                        List.of("", "", " per type", " per fixture", " global").get(random.nextInt(5));
                lines.add("all\nrecord colour " + (1 + random.nextInt(4)) + scope + " merge");
            }
            if (random.nextInt(6) == 0) {
                lines.add("clear all");
            }
            if (random.nextInt(5) == 0) {
                lines.add("all colour " + (1 + random.nextInt(4)) + "\nrecord colour " + (5 + random.nextInt(2))
                        + " keep references " + (random.nextBoolean() ? "merge" : "replace"));
            }
        }
        lines.add("clear all");
        return lines;
    }

    private static final List<String> VERBS = List.of(
            "narrow colour 1 per type",
            "narrow colour 1 per fixture",
            "narrow colour 5 per type",
            "tidy colour 1",
            "fill colour 1 for type \"Wash\"",
            "fill colour 1 for type \"Panel\"",
            "fill colour 1 for type \"Curtain\"",
            "fill colour 5 for type \"Twin\"",
            "fill colour 1 for 1 thru 4 + 11",
            "fill colour 5 for all",
            "delete colour 1 as values",
            "delete colour 1 + 2 as values",
            "copy colour 1 to 9",
            "move colour 2 to 12");

    @Test
    void everybody_is_given_what_was_given_before() {
        assertThat(Shrunk.breaks(SEEDS, PaletteStillnessLawsTest::lines, lines -> {
                    Show show = HandLines.after(HandLines.after(Rig.awkward(), lines), List.of("clear all"));
                    return VERBS.stream()
                            .map(verb -> {
                                String wrong = changedBy(verb, show);
                                return wrong.isEmpty() ? "" : verb + ":" + wrong;
                            })
                            .filter(w -> !w.isEmpty())
                            .findFirst()
                            .orElse("");
                }))
                .isEmpty();
    }

    private static String changedBy(String verb, Show show) {
        Show changed = HandLines.after(show, List.of(verb));
        StringBuilder wrong = new StringBuilder();
        if (changed != show) {
            for (Palette palette : show.palettes()) {
                Optional<Palette> now = changed.palette(palette.id());
                if (now.isPresent()) {
                    wrong.append(differ(
                            pressed(show, palette).scene(),
                            pressed(changed, now.get()).scene(),
                            (fixture, channel) -> !channel.from().equals("home")));
                }
            }
        }
        return wrong.toString();
    }

    private static Show pressed(Show show, Palette palette) {
        return HandLines.after(show, List.of("all " + palette.kind().word() + " " + palette.number()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"colour", "combined"})
    void a_palette_of_palettes_gives_everybody_what_those_give(String kind) {
        assertThat(Shrunk.breaks(SEEDS, PaletteStillnessLawsTest::lines, lines -> {
                    Show show = HandLines.after(HandLines.after(Rig.awkward(), lines), List.of("all\nall colour 1"));
                    Show recorded = HandLines.after(show, List.of("record " + kind + " 9 keep references"));
                    return recorded.palettes().stream().noneMatch(p -> p.number() == 9)
                            ? ""
                            : differ(
                                    show.scene(),
                                    HandLines.after(recorded, List.of("clear all", "all " + kind + " 9"))
                                            .scene(),
                                    (fixture, channel) ->
                                            channel.source().followed().isPresent());
                }))
                .isEmpty();
    }

    /** Colours of palettes among values by hand, all of it taken into one. */
    @Test
    void a_whole_palette_with_references_gives_all_of_it() {
        assertThat(Shrunk.breaks(SEEDS, PaletteStillnessLawsTest::lines, lines -> {
                    Show show = HandLines.after(
                            HandLines.after(Rig.awkward(), lines.subList(0, lines.size() - 1)), List.of("all"));
                    Show recorded = HandLines.after(show, List.of("record combined 9 keep references"));
                    return recorded.palettes().stream().noneMatch(p -> p.number() == 9)
                            ? ""
                            : differ(
                                    show.scene(),
                                    HandLines.after(recorded, List.of("clear all", "all combined 9"))
                                            .scene(),
                                    (fixture, channel) ->
                                            !channel.source().word().equals("home"));
                }))
                .isEmpty();
    }
}
