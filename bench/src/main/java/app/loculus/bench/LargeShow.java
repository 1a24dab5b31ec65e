package app.loculus.bench;

import app.loculus.core.command.Command;
import app.loculus.core.command.LineReader;
import app.loculus.core.ledger.HookupRow;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.util.ArrayList;
import java.util.List;

/** Made-up shows of a chosen size. */
final class LargeShow {

    static final Profiles PROFILES = ShippedProfiles.all();
    static final LineReader LINES = new LineReader(PROFILES);

    /** Ten types: those that can show a colour, each in its own way, and some that cannot. */
    private static final String[] TYPES = {
        "Skiff Wash / extended", "Ember Par / 8-slot", "Fathom Profile / standard", "Lantern Beam / 16-slot",
                "Gull Panel / 8-slot",
        "Skiff Wash / basic", "Ember Par / 6-slot", "Gull Panel / 7-slot crossfade",
                "Bosun Scroller / dimmer + scroller", "House Dimmer / 1-slot"
    };

    private LargeShow() {}

    /** Fewer than would fit, so that a show spreads over about as many universes as a real one. */
    private static final int MOST_A_UNIVERSE = 30;

    /** Lines that patch fixtures of ten types in equal numbers: 2,000 take some 70 universes, 5,000 some 180. */
    static List<String> lines(int fixtures) {
        List<String> lines = new ArrayList<>();
        int number = 1;
        int universe = 1;
        for (String type : TYPES) {
            int room =
                    Math.min(MOST_A_UNIVERSE, 512 / PROFILES.type(type).mode().slots());
            for (int left = fixtures / TYPES.length; left > 0; left -= room) {
                int last = number + Math.min(room, left) - 1;
                lines.add("patch " + number + " thru " + last + " as \"" + type + "\" at " + universe++ + ".1");
                number = last + 1;
            }
        }
        return lines;
    }

    static Show of(int fixtures) {
        Show show = Show.empty("Large");
        for (String line : lines(fixtures)) {
            show = say(show, line);
        }
        return show;
    }

    /** With 50 positions and 300 groups that follow them: by type, position and both, with patterns by place. */
    static Show recipes(Show show) {
        Show now = show;
        int each = show.patch().size() / 50;
        for (int i = 0; i < 50; i++) {
            String range = (i * each + 1) + " thru " + (i + 1) * each;
            now = say(now, "hang " + range + " on \"Bridge " + (i + 1) + "\"");
            now = say(now, "place " + range + " at -12," + i + ",6 thru 12," + i + ",6");
        }
        String[] patterns = {
            "", " every 2", " sort by across part 1 of 2", " sort by outward part 2 of 2", " reverse", " mirror"
        };
        for (int i = 0; i < 300; i++) {
            String base = "position \"Bridge " + (i % 50 + 1) + "\"" + patterns[i / 50];
            now = say(now, base);
            now = say(now, "record group " + (i + 1) + " \"Group " + (i + 1) + "\" as recipe");
        }
        return now;
    }

    /** The paper that agrees with a show. */
    static List<HookupRow> hookup(Show show) {
        return show.patch().fixtures().stream()
                .map(f -> new HookupRow(
                        f.number(),
                        String.valueOf(f.number()),
                        f.name(),
                        show.patch().profileOf(f).name(),
                        f.mode(),
                        f.addresses().get(0).address().toString(),
                        f.position(),
                        f.purpose()))
                .toList();
    }

    static Show say(Show show, String line) {
        Outcome outcome = outcome(show, line);
        if (outcome.refused()) {
            throw new IllegalStateException(line + ": " + outcome.problems());
        }
        return outcome.show();
    }

    static Outcome outcome(Show show, String line) {
        return ((Command.Edit) LINES.read(line)).edit().apply(show);
    }
}
