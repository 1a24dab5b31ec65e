package app.loculus.core.play;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.core.Rig;
import app.loculus.core.Shrunk;
import app.loculus.core.patch.Fixture;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Nothing jumps: whatever is pressed or edited while lists, a chase and effects run. All fades take a second at least. */
class StillLawsTest {

    private static final int SEEDS = Integer.getInteger("law.seeds", 20);

    /** Of a whole range, from one look to the next: what a fade of a second and what moves can do in that time, twice. */
    private static final double MOST = .14;

    private static final double STEP = .05;

    private static Show rig() {
        return Rig.show(
                "patch 1 thru 3 as \"Dimmer / 1-slot\" at 1.1",
                "patch 11 + 12 as \"Wash / extended\" at 1.11",
                "patch 21 + 22 as \"Par / rgb\" at 1.41",
                "patch 31 + 32 as \"Blink / shutter\" at 1.61",
                "list 1 \"Main\"",
                "list 2 \"Other\"",
                "list 3 \"Chase\"",
                "list 2 standing alone",
                "11 + 12 sine of pan size 60 rate 20 offset round",
                "record effect 1 \"Sway\"",
                "1 thru 3 sine of dimmer at 20 thru 80 rate 20 offset round",
                "record effect 2 \"Swell\"",
                "clear all");
    }

    /** Cues first, each a line that sets, records and clears; then what is done, as time and line. */
    private static List<String> lines(long seed, String... actions) {
        Random random = new Random(seed);
        List<String> lines = new ArrayList<>();
        for (int list = 1; list <= 3; list++) {
            for (int cue = 1; cue <= 3; cue++) {
                StringBuilder line = new StringBuilder();
                for (int i = 0; i < 3; i++) {
                    line.append(value(random)).append('\n');
                }
                lines.add(line + "record cue " + cue + " of list " + list + " in " + (1 + random.nextInt(4)) + " out "
                        + (1 + random.nextInt(4)) + " rest " + (1 + random.nextInt(4)) + "\nclear all");
            }
        }
        lines.add("list 3 as chase\nlist 3 rate 30\nlist 3 crossfade 100");
        double at = 0;
        for (int i = 0; i < 14; i++) {
            at += random.nextDouble() * 3;
            String action = actions[random.nextInt(actions.length)]
                    .replace("L", "" + (1 + random.nextInt(3)))
                    .replace("C", "" + (1 + random.nextInt(3)))
                    .replace("D", "" + (1 + random.nextInt(3)))
                    .replace("T", "" + (1 + random.nextInt(5)));
            lines.add(String.format(Locale.ROOT, "@%.3f %s", at, action));
        }
        return lines;
    }

    private static String value(Random random) {
        String[] values = {
            "1 at " + random.nextInt(101),
            "1 thru 3 at " + random.nextInt(101),
            "11 at " + random.nextInt(101),
            "11 + 12 pan at " + (random.nextInt(500) - 250),
            "11 + 12 colour xy 0.3, 0." + (20 + random.nextInt(30)),
            "21 + 22 at " + random.nextInt(101),
            "21 + 22 colour xy 0.4, 0." + (20 + random.nextInt(30)),
            "31 + 32 at " + random.nextInt(101),
            "31 at out",
            "11 + 12 effect 1",
            "1 thru 3 effect 2",
        };
        return values[random.nextInt(values.length)];
    }

    private static final String[] PRESSES = {
        "go list L", "go list L", "go list L", "back list L", "jump to cue C of list L", "release list L"
    };

    @Test
    void a_press_moves_nothing_at_once() {
        holds(PRESSES);
    }

    @Test
    void an_edit_of_cues_moves_nothing_at_once() {
        holds(
                "go list L",
                "go list L",
                "jump to cue C of list L",
                "renumber cues of list L from C.5 by 2",
                "move cue C of list L before D",
                "delete cue C of list L",
                "delete list L",
                "cue C of list L in T out T",
                "cue C of list L next T after begin",
                "cue C of list L next press",
                "rename cue C of list L \"Another\"",
                "split cue C of list L with colour",
                "split cue C of list L with intensity",
                "record cue C.7 of list L all in 2 out 2",
                "copy cue C of list L to cue 8.C of list L",
                "list L rate 40",
                "list L bounce",
                "list 1 standing alone",
                "list 2 carrying on");
    }

    private static void holds(String... actions) {
        assertThat(Shrunk.breaks(SEEDS, seed -> lines(seed, actions), StillLawsTest::broken))
                .isEmpty();
    }

    private static String broken(List<String> lines) {
        Show show = rig();
        List<String> played = new ArrayList<>();
        for (String line : lines) {
            if (line.startsWith("@")) {
                played.add(line);
            } else {
                for (String one : line.split("\n")) {
                    var outcome = Rig.say(show, one);
                    show = outcome.refused() ? show : outcome.show();
                }
            }
        }
        Stage stage = new Stage(show);
        Map<String, Resolved> before = channels(stage.scene(0));
        double now = 0;
        for (String line : played) {
            double at = Double.parseDouble(line.substring(1, line.indexOf(' ')));
            String action = line.substring(line.indexOf(' ') + 1);
            while (now + STEP < at) {
                now += STEP;
                Map<String, Resolved> next = channels(stage.scene(now));
                String moved = moved(before, next, MOST);
                if (!moved.isEmpty()) {
                    return "by itself at %.3f:%s".formatted(now, moved);
                }
                before = next;
            }
            now = at;
            before = channels(stage.scene(at));
            if (isPress(action)) {
                stage.pressIfItCan(at, action);
            } else {
                stage.editIfItCan(at, action);
            }
            Map<String, Resolved> after = channels(stage.scene(at));
            String moved = moved(before, after, .004);
            if (!moved.isEmpty()) {
                return line + ":" + moved;
            }
            before = after;
        }
        return "";
    }

    private static boolean isPress(String action) {
        return action.matches("(go|back|jump|release|pause) .*");
    }

    private static Map<String, Resolved> channels(Scene scene) {
        Resolver resolver = new Resolver(scene);
        Map<String, Resolved> all = new LinkedHashMap<>();
        for (Fixture fixture : scene.patch().fixtures()) {
            List<Resolved> channels = resolver.resolve(fixture);
            for (int i = 0; i < channels.size(); i++) {
                all.put(
                        fixture.number() + " "
                                + scene.patch()
                                        .modeOf(fixture)
                                        .channels()
                                        .get(i)
                                        .key(),
                        channels.get(i));
            }
        }
        return all;
    }

    private static String moved(Map<String, Resolved> before, Map<String, Resolved> after, double most) {
        StringBuilder words = new StringBuilder();
        before.forEach((channel, was) -> {
            double a = was.fraction().value();
            double b = after.get(channel).fraction().value();
            if (Math.abs(a - b) > most) {
                words.append(String.format(Locale.ROOT, " %s %.3f → %.3f;", channel, a, b));
            }
        });
        return words.toString();
    }
}
