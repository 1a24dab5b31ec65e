package app.loculus.app;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.util.Random;

/** Random edits with the shipped profiles, for what has to hold after any of them. */
public final class RandomEdits {

    private static final LineReader LINES = new LineReader(ShippedProfiles.all());

    private static final String[] TYPES = {
        "House Dimmer / 1-slot",
        "Skiff Wash / extended",
        "Ember Par / 6-slot",
        "Tideline Batten / 38-slot",
        "Bosun Scroller / dimmer + scroller",
        "Gull Panel / 8-slot",
        "Fathom Profile / standard"
    };

    private final Random random;
    private String said = "";

    public RandomEdits(long seed) {
        random = new Random(seed);
    }

    public String said() {
        return said;
    }

    /** An accepted edit that changes something. */
    public Outcome next(Show show) {
        while (true) {
            said = line();
            Outcome outcome = ((Command.Edit) LINES.read(said)).edit().apply(show);
            if (!outcome.refused() && !outcome.delta().isEmpty()) {
                return outcome;
            }
        }
    }

    /** A line, which may be refused. */
    String any() {
        return line();
    }

    private String line() {
        int from = 1 + random.nextInt(30);
        String range = from + " thru " + (from + random.nextInt(8));
        String address = 1 + random.nextInt(6) + "." + (1 + random.nextInt(500));
        String[] lines = {
            "patch " + range + " as \"" + TYPES[random.nextInt(TYPES.length)] + "\" at " + address,
            "add " + from + " as \"" + TYPES[random.nextInt(TYPES.length)] + "\"",
            "patch " + from + " at " + address + " also",
            "patch " + from + " at " + address + " share",
            "patch " + range + " at " + address + " take over",
            "note " + range + " \"“lamp” ’s out\"",
            "mark " + range + " wrong \"blinks\"",
            "purpose " + from + " \"fröntlight\"",
            "renumber " + range + " from " + (1 + random.nextInt(90)),
            "compact universe " + (1 + random.nextInt(6)),
            "change " + from + " to \"Gull Panel / 8-slot\"",
            "universe " + (1 + random.nextInt(4)) + " name \"Brücke\" to unicast \"127.0.0.1:6001\" as \"Knoten\"",
            "universe " + (1 + random.nextInt(4)) + (random.nextBoolean() ? " off" : " on priority 110"),
            "unpatch " + range,
            "delete " + range,
            "name " + range + " \"Ünit, “quoted” #\"",
            "hang " + range + " on \"Bridge '2'\"",
            "place " + range + " at -3.25,2,6 thru 3,2,0.1",
            range + " at 20 thru 80",
            "all colour xy 0.3, 0." + (25 + random.nextInt(15)),
            range + " pan at " + (random.nextInt(400) - 200) + " zoom at 20 deg",
            range + " Color1 at \"Jade\"",
            range + " every 2 mirror",
            "next",
            "highlight " + (random.nextBoolean() ? "on" : "off"),
            "record group \"Grüppe\"",
            "record group \"Following\" as recipe",
            "type \"Skiff Wash\" & position \"Bridge '2'\" sort by across",
            "all where lit and not in group 1 every 2",
            "move group 1 to " + (1 + random.nextInt(4)),
            "edit group 1 + " + from,
            "record highlight per type",
            "highlight rest " + random.nextInt(101),
            "starter groups",
            "delete group 1",
            "record colour \"C\"",
            "record colour 1 per fixture merge",
            "record intensity 1 replace",
            "record beam 1 \"B\" merge",
            "all colour 1",
            "home " + (random.nextBoolean() ? "colour" : "position"),
            "clear",
        };
        return lines[random.nextInt(lines.length)];
    }
}
