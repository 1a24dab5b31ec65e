package app.loculus.core.show;

import static app.loculus.core.show.RecallLawsTest.differ;
import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.Shrunk;
import app.loculus.core.patch.Fixture;
import app.loculus.core.profile.Kind;
import app.loculus.core.resolve.Resolved;
import java.util.List;
import java.util.function.BiPredicate;
import java.util.function.Function;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What palettes take up and give back, on fixtures whose channels hang on one another. */
class PaletteRecallLawsTest {

    private static final int SEEDS = Integer.getInteger("law.seeds", 15);

    private static void holds(Function<List<String>, String> law) {
        assertThat(Shrunk.breaks(SEEDS, seed -> HandLines.of(seed, 14), law)).isEmpty();
    }

    private static BiPredicate<Fixture, Resolved> set(Show show, String kind) {
        return (fixture, channel) -> !channel.source().word().equals("home")
                && (kind.equals("combined")
                        || show.patch()
                                        .profileOf(fixture)
                                        .kindOf(channel.function().attribute())
                                == Kind.parse(kind));
    }

    @ParameterizedTest
    @ValueSource(strings = {"colour", "beam", "combined", "intensity"})
    void recorded_and_pressed_it_gives_the_same(String kind) {
        holds(lines -> {
            Show show = HandLines.after(Rig.awkward(), lines);
            Show recorded = HandLines.after(show, List.of("all\nrecord " + kind + " 9"));
            if (recorded.palettes().stream().noneMatch(p -> p.kind() == Kind.parse(kind) && p.number() == 9)) {
                return "";
            }
            Show pressed = HandLines.after(recorded, List.of("clear all", "all " + kind + " 9"));
            return differ(show.scene(), pressed.scene(), set(show, kind));
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"colour", "beam", "combined"})
    void merged_into_another_it_gives_what_was_merged(String kind) {
        holds(lines -> {
            List<String> later = lines.subList(lines.size() / 2, lines.size());
            Show first = HandLines.after(
                    Rig.awkward(),
                    List.of(String.join("\n", lines.subList(0, lines.size() / 2)), "all\nrecord " + kind + " 9"));
            Show second = HandLines.after(HandLines.after(first, List.of("clear all")), later);
            Show merged = HandLines.after(second, List.of("all\nrecord " + kind + " 9 merge"));
            if (merged.palettes().stream().noneMatch(p -> p.kind() == Kind.parse(kind) && p.number() == 9)) {
                return "";
            }
            Show pressed = HandLines.after(merged, List.of("clear all", "all " + kind + " 9"));
            return differ(second.scene(), pressed.scene(), set(second, kind));
        });
    }
}
