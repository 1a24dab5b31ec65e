package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.Shrunk;
import app.loculus.core.show.HandLines;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class WholeStateLawsTest {

    private static final int SEEDS = Integer.getInteger("law.seeds", 60);

    private static final int[] FIRST = {1, 13, 41, 44, 61, 66, 81, 94, 121, 127, 141, 153, 181, 183, 191, 196};
    private static final int[] SLOTS = {12, 12, 3, 3, 5, 5, 13, 13, 6, 6, 12, 12, 2, 2, 5, 5};

    /** Five cues in two lists, of two or three random values each, then what is done before all of it is recorded. */
    private static List<String> lines(long seed) {
        Random random = new Random(seed);
        List<String> hand = HandLines.of(seed, 20);
        List<String> lines = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            lines.add(String.join("\n", hand.subList(3 * i, 3 * i + 2 + i % 2)) + "\nrecord cue " + (1 + i % 3)
                    + " of list " + (1 + i / 3) + " in " + random.nextInt(3) + "\nclear all");
        }
        for (int i = 0; i < 4; i++) {
            lines.add((random.nextBoolean() ? "go list " : "back list ") + (1 + random.nextInt(2)));
        }
        lines.addAll(hand.subList(16, 20));
        return lines;
    }

    @Test
    void all_that_is_on_is_the_same_wherever_it_is_recalled() {
        assertThat(Shrunk.breaks(SEEDS, WholeStateLawsTest::lines, lines -> {
                    Show show = Rig.after(Rig.awkward(), "list 1 \"Main\"", "list 2 \"Other\"");
                    List<String> presses = new ArrayList<>();
                    List<String> last = new ArrayList<>();
                    for (String line : lines) {
                        if (line.startsWith("go") || line.startsWith("back")) {
                            presses.add(line);
                        } else if (line.endsWith("clear all")) {
                            show = HandLines.after(show, List.of(line));
                        } else {
                            last.add(line);
                        }
                    }
                    show = HandLines.after(show, List.of("clear all"));
                    Stage stage = new Stage(show);
                    int at = 0;
                    for (String press : presses) {
                        stage.pressIfItCan(at++, press);
                    }
                    for (String line : String.join("\n", last).split("\n")) {
                        stage.editIfItCan(50, line);
                    }
                    int[] before = stage.slots(50, 1, 200);
                    int[] home = new Stage(Rig.awkward()).slots(0, 1, 200);
                    StringBuilder wrong = new StringBuilder();
                    for (String into : List.of("cue 9 of list 2", "cue 9 of list 1", "cue 1.5 of list 1")) {
                        Stage recorded = new Stage(stage.show());
                        recorded.as(stage).editIfItCan(50, "record " + into + " all");
                        recorded.editIfItCan(50, "clear all");
                        Stage played = new Stage(recorded.show());
                        if (recorded.show().lists().stream()
                                .noneMatch(l -> recorded.show().cues(l.id()).stream()
                                        .anyMatch(c ->
                                                into.startsWith("cue " + c.number() + " of list " + l.number())))) {
                            continue;
                        }
                        played.press(0, "jump to " + into);
                        wrong.append(differ(before, home, played.slots(50, 1, 200), into));
                    }
                    return wrong.toString();
                }))
                .isEmpty();
    }

    /** Slots of fixtures that were on. */
    private static String differ(int[] before, int[] home, int[] now, String where) {
        StringBuilder words = new StringBuilder();
        for (int i = 0; i < FIRST.length; i++) {
            int from = FIRST[i] - 1;
            int to = from + SLOTS[i];
            if (!Arrays.equals(before, from, to, home, from, to) && !Arrays.equals(before, from, to, now, from, to)) {
                words.append(where)
                        .append(" at 1.")
                        .append(FIRST[i])
                        .append(": ")
                        .append(Arrays.toString(Arrays.copyOfRange(before, from, to)))
                        .append(" → ")
                        .append(Arrays.toString(Arrays.copyOfRange(now, from, to)));
            }
        }
        return words.toString();
    }
}
