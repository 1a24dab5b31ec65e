package app.loculus.core.show;

import app.loculus.core.Rig;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;

/** Random values by hand for {@link Rig#awkward}, with palettes that are recorded on the way. */
public final class HandLines {

    private static final String[] WHO = {
        "1",
        "2",
        "1 + 2",
        "11",
        "11 + 12",
        "21",
        "31",
        "31.1 + 31.3",
        "32.2",
        "41",
        "41 + 42",
        "51",
        "51.1",
        "52.2 + 52.3",
        "61",
        "61 + 62",
        "71",
        "71 + 72",
        "all",
        "11 + 21 + 41",
        "41 + 51 + 71"
    };

    private final Random random;

    private HandLines(long seed) {
        random = new Random(seed);
    }

    public static List<String> of(long seed, int count) {
        HandLines lines = new HandLines(seed);
        return IntStream.range(0, count).mapToObj(i -> lines.line()).toList();
    }

    /** A show after lines; what is refused leaves it as it is. */
    public static Show after(Show show, List<String> lines) {
        Show now = show;
        for (String line : String.join("\n", lines).split("\n")) {
            Outcome outcome = line.isBlank() ? new Draft(now).outcome() : Rig.say(now, line);
            now = outcome.refused() ? now : outcome.show();
        }
        return now;
    }

    private String line() {
        String who = WHO[random.nextInt(WHO.length)];
        int palette = 1 + random.nextInt(4);
        String[] lines = {
            who + " at " + random.nextInt(101),
            who + " at full",
            who + " colour xy " + xy() + ", " + xy(),
            who + " colour xy " + xy() + ", " + xy(),
            who + " red at " + random.nextInt(101),
            who + " ColorAdd_W at " + random.nextInt(101),
            who + " ColorAdd_WW at " + random.nextInt(101),
            who + " ColorMixMode at " + random.nextInt(101),
            who + " Shutter1 at \"" + (random.nextBoolean() ? "Open" : "Closed") + "\"",
            who + " Shutter1Strobe at " + random.nextInt(101),
            who + " pan at " + (random.nextInt(500) - 250),
            who + " release " + kind(),
            who + "\nhome " + kind(),
            who + "\nhome",
            who + " colour " + palette,
            who + " colour " + palette,
            "record colour " + palette + (random.nextBoolean() ? " merge" : " replace"),
            "record beam " + palette + " replace",
            who + " beam " + palette,
            "record combined " + palette + " replace",
            who + " combined " + palette,
        };
        return lines[random.nextInt(lines.length)];
    }

    private String kind() {
        return List.of("colour", "colour", "intensity", "position", "beam", "control")
                .get(random.nextInt(6));
    }

    private String xy() {
        return String.format(Locale.ROOT, "%.3f", .15 + random.nextDouble() * .45);
    }
}
