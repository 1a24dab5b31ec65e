package app.loculus.core.show;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.Shrunk;
import app.loculus.core.edit.look.LookLight;
import app.loculus.core.patch.Fixture;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is recorded and comes back, let go of or taken out, on fixtures whose channels hang on one another. */
class RecallLawsTest {

    private static final int SEEDS = Integer.getInteger("law.seeds", 20);

    private static final BiPredicate<Fixture, Resolved> EVERYTHING = (fixture, channel) -> true;

    private static void holds(Function<List<String>, String> law) {
        assertThat(Shrunk.breaks(SEEDS, seed -> HandLines.of(seed, 14), law)).isEmpty();
    }

    @Test
    void what_is_touched_recorded_and_recalled_is_the_same() {
        holds(lines -> {
            Show show = HandLines.after(Rig.awkward(), lines);
            Show recorded = HandLines.after(show, List.of("record look 1"));
            return recorded.looks().isEmpty() ? "" : differ(show.scene(), recalled(recorded), EVERYTHING);
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"with intensity with colour", "with colour", "with beam", "without red", "only red"})
    void what_is_recorded_of_it_is_the_same_with_all_that_it_needs(String filter) {
        holds(lines -> {
            Show show = HandLines.after(Rig.awkward(), lines);
            Show recorded = HandLines.after(show, List.of("record look 1 " + filter));
            return recorded.looks().isEmpty()
                    ? ""
                    : differ(
                            recalled(recorded),
                            show.scene(),
                            (f, channel) -> !channel.from().equals("home"));
        });
    }

    @Test
    void what_is_let_go_of_leaves_nothing_behind() {
        holds(lines -> {
            Show show = HandLines.after(Rig.awkward(), withoutModes(lines));
            Show left = HandLines.after(show, List.of("all", release("colour", "beam", "intensity", "position")));
            return differ(Rig.awkward().scene(), left.scene(), EVERYTHING);
        });
    }

    private static String release(String... kinds) {
        List<String> lines = new ArrayList<>();
        for (String kind : kinds) {
            lines.add("all release " + kind);
        }
        return String.join("\n", lines);
    }

    @Test
    void what_is_sent_home_looks_like_home_until_a_mode_is_set_by_hand() {
        holds(lines -> {
            Show show = HandLines.after(Rig.awkward(), withoutModes(lines));
            Show home = HandLines.after(show, List.of("all\nhome colour\nhome beam\nhome intensity\nhome position"));
            return differ(Rig.awkward().scene(), home.scene(), EVERYTHING);
        });
    }

    @Test
    void what_is_taken_out_of_a_look_leaves_nothing_behind() {
        holds(lines -> {
            Show recorded =
                    HandLines.after(Rig.awkward(), List.of(String.join("\n", withoutModes(lines)), "record look 1"));
            if (recorded.looks().isEmpty()) {
                return "";
            }
            Show left = recorded;
            for (String kind : List.of("colour", "beam", "intensity", "position")) {
                left = HandLines.after(left, List.of("take out all from look 1 with " + kind));
            }
            return differ(Rig.awkward().scene(), recalled(left), EVERYTHING);
        });
    }

    @Test
    void what_is_merged_into_a_look_is_there_as_it_was_set() {
        holds(lines -> {
            Show first = HandLines.after(
                    Rig.awkward(), List.of(String.join("\n", lines.subList(0, lines.size() / 2)), "record look 1"));
            if (first.looks().isEmpty()) {
                return "";
            }
            Show second = HandLines.after(
                    HandLines.after(first, List.of("clear all")), lines.subList(lines.size() / 2, lines.size()));
            Show merged = HandLines.after(second, List.of("record look 1 merge"));
            return differ(
                    second.scene(),
                    recalled(merged),
                    (fixture, channel) -> !channel.source().word().equals("home"));
        });
    }

    private static List<String> withoutModes(List<String> lines) {
        return lines.stream().filter(l -> !l.contains("ColorMixMode")).toList();
    }

    private static Scene recalled(Show show) {
        return LookLight.of(show, show.looks().get(0));
    }

    /** Channels that differ, before virtual dimmers, in words; only those that count in the first scene. */
    static String differ(Scene one, Scene other, BiPredicate<Fixture, Resolved> counts) {
        Resolver first = new Resolver(one);
        Resolver second = new Resolver(other);
        StringBuilder words = new StringBuilder();
        for (Fixture fixture : one.patch().fixtures()) {
            List<Resolved> was = first.resolve(fixture);
            List<Resolved> is = second.resolve(fixture);
            for (int i = 0; i < was.size(); i++) {
                long a = was.get(i).place().dmx();
                long b = is.get(i).place().dmx();
                if (a != b && counts.test(fixture, was.get(i))) {
                    words.append(" %d %s: %d → %d;"
                            .formatted(
                                    fixture.number(),
                                    one.patch()
                                            .modeOf(fixture)
                                            .channels()
                                            .get(i)
                                            .key(),
                                    a,
                                    b));
                }
            }
        }
        return words.toString();
    }
}
